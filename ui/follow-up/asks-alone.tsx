'use client';

import { formatDate } from '@/core/units/iso-date';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface AsksAloneProps {
  workshopId: string;
  asksAlone: boolean;
  /** When the next letter goes, and to how many; null before there are plants to ask of. */
  next: { on: string | null; people: number; all: number } | null;
}

/** Whether letters go out by themselves on the days of the plan. */
export function AsksAlone({ workshopId, asksAlone, next }: AsksAloneProps) {
  const { run, busy, problem } = useSend();
  return (
    <div className="mb-2">
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
          <strong>Letters write themselves</strong>: when something is to be asked, one a week to a person at most and
          two reminders at most; and about ties and other work with a day that matters, twice in half a year at most.
        </span>
      </label>
      <p className="text-muted">{nextWords(asksAlone, next)}</p>
      <Problem>{problem?.message}</Problem>
    </div>
  );
}

function nextWords(asksAlone: boolean, next: AsksAloneProps['next']): string {
  if (next === null)
    return asksAlone
      ? 'The first goes once keepers are made and the day of their first look has come.'
      : 'Nobody is written to unless somebody here sends a round.';
  if (next.on === null) return 'Nothing is left to ask of these plants for now.';
  const whom =
    next.people === next.all
      ? `to ${next.all === 1 ? 'the one person' : `all ${next.all}`} who ${next.all === 1 ? 'is' : 'are'} asked then`
      : `to ${next.people} of the ${next.all} who are asked then; the others gave no address or no leave`;
  return `${asksAlone ? 'The next goes' : 'Switched on, the next would go'} about ${formatDate(next.on)}, ${whom}.`;
}
