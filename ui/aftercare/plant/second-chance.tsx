'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { SecondMethod, UnionLife } from '@/core/aftercare/life/plant-life';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { deviceToday } from '@/ui/kit/device/device-clock';
import type { AtPlant } from './at-plant';

const WHY_NOT = {
  'no-sticks': 'No stick of it is left in the cold.',
  'buds-awake': 'Its buds would be awake by now.',
  'bark-tight': 'Bark slips no more.',
  'season-over': 'Too little of the season is left.',
} as const;

/** What can still be done about a union that died: again with sticks that are left, or a bud in late summer. */
export function SecondChance({ life, plantId, at }: { life: UnionLife; plantId: string; at: AtPlant }) {
  const { second, stockCaliper } = life;
  const { run, busy, problem } = useSend();
  const [unionId] = useState(() => uuid());
  const [madeOn, setMadeOn] = useState(deviceToday);
  if (second === null) return null;
  const { budIn, method } = second;
  return (
    <section aria-label="A second chance" className="mb-4 border-2 border-ink p-3">
      <h3 className="font-bold">A second chance on this stock</h3>
      <p>
        {redoWords(second)}{' '}
        {budIn
          ? `${method?.name ?? 'A bud'} from ${formatDate(budIn.from)} to ${formatDate(budIn.to)}.`
          : 'The site’s budding window has passed or is not known.'}
      </p>
      <p>{caliperWords(stockCaliper, method, at.unit)}</p>
      {at.mayChange && method && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <Field label={`${method.name} set on`}>
            <input type="date" max={deviceToday()} value={madeOn} onChange={(event) => setMadeOn(event.target.value)} />
          </Field>
          <button
            type="button"
            className="bench-button"
            disabled={busy || madeOn === ''}
            onClick={() =>
              void run('PUT', `/api/plants/${plantId}/second-unions/${unionId}`, { method: method.id, madeOn })
            }
          >
            Join it to this plant
          </button>
        </div>
      )}
      <Problem>{problem?.message}</Problem>
    </section>
  );
}

function caliperWords(caliper: number | null, method: SecondMethod | null, unit: LengthUnit): string {
  if (caliper === null) return 'Measure the stock first and enter its caliper below.';
  if (method && caliper < method.from)
    return `Its stock is ${formatLength(caliper, unit)} thick, thinner than that wants (${formatLength(method.from, unit)}): let it grow on.`;
  return `Its stock is ${formatLength(caliper, unit)} thick, which is enough.`;
}

function redoWords({ redoBy, whyNot, sticksLeft }: NonNullable<UnionLife['second']>): string {
  if (whyNot !== null) return `Not again with dormant wood: ${WHY_NOT[whyNot]}`;
  const left = `${counted(sticksLeft, 'stick')} of it ${sticksLeft === 1 ? 'is' : 'are'} left`;
  return redoBy === null
    ? `${left}; the site’s year is not known, so no last day can be said for grafting it again.`
    : `${left}: graft it again by ${formatDate(redoBy)}.`;
}
