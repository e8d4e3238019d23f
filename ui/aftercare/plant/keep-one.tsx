'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { UnionLife } from '@/core/aftercare/life/plant-life';
import { capital } from '@/core/units/capital';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { deviceItem } from '../device-item';
import type { AtPlant } from './at-plant';

/** Tasks that take the stock off above a bud. */
const HEADS_BACK: readonly string[] = ['head-back', 'patch-top'];

interface KeepOneProps {
  lives: readonly UnionLife[];
  at: AtPlant;
}

/**
 * Of several living buds on one stock, which is kept: the stock is headed back above it, and the others end with that. What
 * was seen of them until then stays.
 */
export function KeepOne({ lives, at: { me, code, mayChange, marks, queue } }: KeepOneProps) {
  const [kept, setKept] = useState('');
  const [problem, setProblem] = useState('');
  const living = lives.filter(({ state, keepsOne }) => state === 'living' && keepsOne);
  if (!mayChange || living.length < 2) return null;
  const keep = async (better: UnionLife): Promise<void> => {
    const on = deviceToday();
    try {
      for (const other of living.filter(({ unionId }) => unionId !== better.unionId))
        await queue.keep({
          ...deviceItem(me, uuid(), `Cut away: ${other.place}, ${code}`),
          kind: 'seen',
          body: { unionId: other.unionId, kind: 'cut-away', about: '', lengthMm: null, note: '', seenOn: on },
        });
    } catch {
      return setProblem('This browser could not keep it: its storage is full or closed to this page.');
    }
    const task = [...better.now, ...better.next].find(({ task: id }) => HEADS_BACK.includes(id));
    if (task)
      await marks.mark({
        marks: [{ unionId: better.unionId, task: task.task, occurrence: task.occurrence }],
        outcome: 'done',
        on,
        reason: '',
        words: `${task.name}, ${code}`,
      });
    setKept(better.place);
  };
  return (
    <section aria-labelledby="keep-one" className="board mb-6">
      <h2 id="keep-one">Which bud is kept?</h2>
      {kept === '' ? (
        <>
          <p>
            Head the stock back above the better one. What is above it comes off with the top; one below or on the other
            side is rubbed off, and nothing more is asked of it.
          </p>
          <p className="mt-2 flex flex-wrap gap-3">
            {living.map((life) => (
              <button key={life.unionId} type="button" className="bench-button" onClick={() => void keep(life)}>
                Headed back above {life.place}
              </button>
            ))}
          </p>
        </>
      ) : (
        <p role="status" className="font-bold">
          {capital(kept)} is kept. To take it back, undo what was entered in the list of the other.
        </p>
      )}
      {problem !== '' && (
        <p role="alert" className="font-bold text-loud">
          {problem}
        </p>
      )}
    </section>
  );
}
