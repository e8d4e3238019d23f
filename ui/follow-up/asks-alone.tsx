'use client';

import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Whether letters go out by themselves on the days of the plan. */
export function AsksAlone({ workshopId, asksAlone }: { workshopId: string; asksAlone: boolean }) {
  const { run, busy, problem } = useSend();
  return (
    <div>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={asksAlone}
          disabled={busy}
          onChange={({ target }) =>
            void run('PUT', `/api/workshops/${workshopId}/asks-alone`, { asksAlone: target.checked })
          }
        />
        <span>
          <strong>Letters write themselves</strong> on these days, one a week to a person at most, and two reminders at
          most
        </span>
      </label>
      <Problem>{problem?.message}</Problem>
    </div>
  );
}
