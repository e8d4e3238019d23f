'use client';

import { useState } from 'react';
import { type OverdueLot, overdueLots, STAKE_WORDS } from '@/core/aftercare/week/stake';
import type { WeekGroup } from '@/core/aftercare/week/week-group';
import { counted } from '@/core/units/counted';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import type { Tapped } from '../use-marks';
import { DueGroupRow } from './due-group-row';

interface OverdueProps {
  groups: readonly WeekGroup[];
  mayChange: boolean;
  onMark: (tapped: Tapped) => Promise<void>;
}

/** What is overdue, by lot and by what is at stake; a lot can be closed at once with one reason. */
export function Overdue({ groups, mayChange, onMark }: OverdueProps) {
  const lots = overdueLots(groups);
  if (lots.length === 0) return null;
  return (
    <section aria-labelledby="overdue" className="mb-6">
      <h2 id="overdue">Overdue</h2>
      {lots.map((lot) => (
        <section key={lot.key} aria-label={`Overdue: ${lot.lot.variety}`} className="mb-3 border-l-4 border-ink pl-3">
          <h3 className="font-bold">
            {STAKE_WORDS[lot.stake]}: {lot.lot.variety}, {lot.lot.method.toLowerCase()}{' '}
            <span className="font-normal text-muted">
              ({lot.lot.workshop}, {lot.lot.site})
            </span>
          </h3>
          <ul className="divide-y divide-line">
            {lot.groups.map((group) => (
              <DueGroupRow key={group.key} group={group} mayChange={mayChange} onMark={onMark} />
            ))}
          </ul>
          {mayChange && <CloseLot lot={lot} onMark={onMark} />}
        </section>
      ))}
    </section>
  );
}

function CloseLot({ lot: { lot, groups }, onMark }: { lot: OverdueLot; onMark: OverdueProps['onMark'] }) {
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState('');
  const marks = groups.flatMap(({ task, plants }) =>
    plants.map(({ unionId, occurrence }) => ({ unionId, task, occurrence })),
  );
  const close = async (): Promise<void> => {
    if (reason.trim() === '') return setProblem('Say why they are left undone.');
    setProblem('');
    await onMark({
      marks,
      outcome: 'skipped',
      on: deviceToday(),
      reason: reason.trim(),
      words: `Overdue of ${lot.variety}: ${counted(marks.length, 'task')}`,
    });
  };
  return (
    <details className="mb-1">
      <summary className="min-h-11 cursor-pointer py-2 underline">
        Leave all that is overdue of this lot undone, with one reason
      </summary>
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Why" needed>
          <input maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
        </Field>
        <button type="button" className="bench-button" onClick={() => void close()}>
          Close {counted(marks.length, 'task')}
        </button>
      </div>
      <Problem>{problem}</Problem>
    </details>
  );
}
