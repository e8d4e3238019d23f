'use client';

import type { UnionLife } from '@/core/aftercare/life/plant-life';
import { formatDate } from '@/core/units/iso-date';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Two people told two outcomes of one task: both stand here until the lead says which counts. */
export function ToldTwice({ told, mayDecide }: { told: UnionLife['toldTwice']; mayDecide: boolean }) {
  const { run, busy, problem } = useSend();
  return told.map(({ task, outcomes }) => (
    <div key={outcomes[0]!.markId} role="note" className="mb-3 border-l-4 border-ink bg-mist p-3">
      <p className="font-bold">{task}: two outcomes were told.</p>
      <Problem>{problem?.message}</Problem>
      <ul>
        {outcomes.map(({ markId, words, on, by }, i) => (
          <li key={markId} className="flex flex-wrap items-center gap-3 py-1">
            <span className="grow basis-60">
              {formatDate(on)}: {words}
              {by && `, told by ${by}`}
              {i === 0 && <span className="text-muted"> (counts for now)</span>}
            </span>
            {mayDecide && (
              <button
                type="button"
                className="bench-button"
                disabled={busy}
                onClick={() => void run('PUT', `/api/settled-marks/${markId}`)}
              >
                This is so
              </button>
            )}
          </li>
        ))}
      </ul>
      {!mayDecide && <p className="text-muted">The lead settles it.</p>}
    </div>
  ));
}
