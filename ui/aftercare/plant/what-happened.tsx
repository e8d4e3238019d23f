'use client';

import { useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { DEADLY, type Happening, HAPPENINGS } from '@/core/aftercare/happening';
import type { UnionLife } from '@/core/aftercare/life/plant-life';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { Field } from '@/ui/kit/form/field';
import { HappeningSelect } from '../happening-select';
import { deviceItem } from '../device-item';
import type { AtPlant } from './at-plant';

type Fate = 'dead' | 'open';

/** Says what happened to a plant on any day: nobody has to ask first, and no round has to be open. */
export function WhatHappened({ life, at: { me, queue, code } }: { life: UnionLife; at: AtPlant }) {
  const [what, setWhat] = useState<Happening>('died');
  const [fate, setFate] = useState<Fate>('dead');
  const [on, setOn] = useState(deviceToday);
  const [note, setNote] = useState('');
  const [told, setTold] = useState<{ words: string; wrong: boolean }>({ words: '', wrong: false });
  /** What was kept last: a second click of a double one keeps nothing more. */
  const kept = useRef('');
  const deadly = DEADLY.includes(what);
  // Whatever died is dead; of the rest it is asked.
  const dead = what === 'died' || (deadly && fate === 'dead');
  const save = async (): Promise<void> => {
    if (on === '' || on > deviceToday()) return setTold({ words: 'Enter the day, up to today.', wrong: true });
    if (on < life.madeOn) return setTold({ words: 'That is before it was made. Check the day.', wrong: true });
    const content = JSON.stringify([what, dead, on, note]);
    if (kept.current === content) return;
    kept.current = content;
    try {
      await queue.keep({
        ...deviceItem(me, uuid(), `${HAPPENINGS[what]}, ${code}`),
        kind: 'seen',
        body: {
          unionId: life.unionId,
          kind: dead ? 'ended' : 'happened',
          about: what,
          lengthMm: null,
          note: note.trim(),
          seenOn: on,
        },
      });
      setTold({ words: 'Kept.', wrong: false });
    } catch {
      kept.current = '';
      setTold({ words: 'This browser could not keep it: its storage is full or closed to this page.', wrong: true });
    }
  };
  return (
    <details className="mb-3">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">What happened to it</summary>
      <div className="flex flex-wrap items-end gap-3 border-l-4 border-ink bg-mist p-3">
        <HappeningSelect what={what} onWhat={setWhat} />
        {deadly && what !== 'died' && (
          <Field label="The graft is">
            <select value={fate} onChange={(event) => setFate(event.target.value as Fate)}>
              <option value="dead">dead</option>
              <option value="open">alive, or not to be told yet</option>
            </select>
          </Field>
        )}
        <Field label="On">
          <input type="date" value={on} max={deviceToday()} onChange={(event) => setOn(event.target.value)} />
        </Field>
        <Field label="Note">
          <input maxLength={300} value={note} onChange={(event) => setNote(event.target.value)} />
        </Field>
        <button type="button" className="bench-button" data-weight="main" onClick={() => void save()}>
          Keep it
        </button>
        <p
          role={told.wrong ? 'alert' : 'status'}
          className={`w-full font-bold empty:hidden ${told.wrong ? 'text-loud' : ''}`}
        >
          {told.words}
        </p>
      </div>
    </details>
  );
}
