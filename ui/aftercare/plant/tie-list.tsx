'use client';

import { v7 as uuid } from 'uuid';
import type { UnionLife } from '@/core/aftercare/life/plant-life';
import { formatDate } from '@/core/units/iso-date';
import { deviceItem } from '../device-item';
import { deviceToday } from '@/ui/kit/device/device-clock';
import type { AtPlant } from './at-plant';

/** Everything round the stem, each with its own last day; one tap says whether it is on. */
export function TieList({ life, at }: { life: UnionLife; at: AtPlant }) {
  const { code, me, mayChange, queue, marks } = at;
  const occurrenceOf = (task: string): number =>
    [...life.now, ...life.next].find((due) => due.task === task)?.occurrence ?? 0;
  const put = (tie: UnionLife['ties'][number], on: boolean) => (): void => {
    if (!on)
      return void marks.mark({
        marks: [{ unionId: life.unionId, task: tie.offTask, occurrence: occurrenceOf(tie.offTask) }],
        outcome: 'done',
        on: deviceToday(),
        reason: '',
        words: `${tie.words} off, ${code}`,
      });
    void queue.keep({
      ...deviceItem(me, uuid(), `${tie.words} on, ${code}`),
      kind: 'seen',
      body: { unionId: life.unionId, kind: 'tie-on', about: tie.id, lengthMm: null, note: '', seenOn: deviceToday() },
    });
  };
  if (life.ties.length === 0) return null;
  return (
    <>
      <h3 className="font-bold">Round the stem</h3>
      <ul className="mb-3 grid gap-2 sm:grid-cols-2">
        {life.ties.map((tie) => {
          const off =
            tie.state === 'off' ||
            marks.isMarked({ unionId: life.unionId, task: tie.offTask, occurrence: occurrenceOf(tie.offTask) });
          const alarm = !off && tie.state === 'alarm';
          return (
            <li
              key={tie.id}
              className={`flex items-center gap-3 border-2 px-3 py-2 ${alarm ? 'border-loud' : off ? 'border-line text-muted' : 'border-ink'}`}
            >
              <span className="grow">
                <strong className={alarm ? 'text-loud' : ''}>{tie.words}</strong>{' '}
                <span className="block text-sm">{tieWords(tie, off)}</span>
              </span>
              {mayChange && (
                <button
                  type="button"
                  className="bench-button"
                  aria-label={`${tie.words} is ${off ? 'on' : 'off'}`}
                  onClick={put(tie, off)}
                >
                  {off ? 'It is on' : 'It is off'}
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}

function tieWords({ state, since, latest, strained }: UnionLife['ties'][number], off: boolean): string {
  if (off) return state === 'off' ? `off since ${formatDate(since)}` : 'off';
  if (latest === null) return 'on; it stays, and is looked at on every visit';
  const last = `last day ${formatDate(latest)}${strained ? ', brought forward by growth' : ''}`;
  return state === 'alarm' ? `still on, ${last}` : `on, ${last}`;
}
