'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { type DayBlock, type DayPlan, timeOf } from '@/core/plan/benches/time-plan';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useEntry } from '@/ui/kit/form/use-entry';

interface DayBoardProps {
  workshopId: string;
  version: number;
  day: DayPlan;
  blocks: DayBlock[];
  overrun: number;
  mayChange: boolean;
}

const FILL: Record<DayBlock['kind'], string> = {
  briefing: 'bg-ink text-paper',
  demonstration: 'bg-sheet border-2 border-ink',
  practice: 'bg-mist border border-line',
  keepers: 'bg-mist border-2 border-life',
  break: 'border border-dashed border-line',
  clearing: 'bg-sheet border border-line',
};

/** The day in blocks as long as they last, and where it overruns. */
export function DayBoard({ workshopId, version, day, blocks, overrun, mayChange }: DayBoardProps) {
  const [open, setOpen] = useState(false);
  return (
    <section aria-labelledby="day-title">
      <div className="mb-2 flex flex-wrap items-end justify-between gap-2">
        <h2 id="day-title">
          The day{' '}
          <span className="text-base font-normal text-muted">
            {day.start} to {day.end}
          </span>
        </h2>
        <div className="flex gap-2">
          {mayChange && (
            <SheetDialog
              title="How the day runs"
              description="Times in minutes. A beginner's first union takes long; each doubling of the count makes it quicker."
              open={open}
              onOpenChange={setOpen}
              trigger={
                <button type="button" className="bench-button">
                  Change the times
                </button>
              }
            >
              <DayForm workshopId={workshopId} version={version} day={day} onDone={() => setOpen(false)} />
            </SheetDialog>
          )}
          <a href={`/api/workshops/${workshopId}/door-sheet`} className="bench-button" target="_blank" rel="noreferrer">
            Sheet for the door
          </a>
        </div>
      </div>
      {overrun > 0 && (
        <p className="mb-2 border-l-4 border-loud bg-sheet px-3 py-2 font-bold">
          The day overruns by {overrun} minutes. Make fewer practice unions, start earlier, or find more knives.
        </p>
      )}
      <ol className="flex flex-col gap-1">
        {blocks.map((block) => (
          <li key={`${block.from}-${block.name}`} className="grid grid-cols-[8rem_minmax(0,1fr)] items-stretch gap-2">
            <span className="self-start tabular-nums">
              {timeOf(block.from)} to {timeOf(block.to)}
            </span>
            <span
              className={`flex items-center px-2 ${FILL[block.kind]}`}
              style={{ minHeight: Math.max(26, Math.min(120, (block.to - block.from) * 0.8)) }}
            >
              {block.name}
              <span className="ml-auto pl-2 text-sm tabular-nums">{block.to - block.from} min</span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function DayForm({
  workshopId,
  version,
  day,
  onDone,
}: {
  workshopId: string;
  version: number;
  day: DayPlan;
  onDone: () => void;
}) {
  const [changeId, setChangeId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/plan/benches/day-input').then(({ dayInput }) => dayInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/plan/day`, { ...values, changeId, version });
      if (sent?.ok) onDone();
      else if (sent?.status === 422) setChangeId(uuid());
    },
  );
  const input = (name: keyof DayPlan, label: string, hint?: string): React.ReactNode => (
    <Field label={label} error={errors[name]} {...(hint ? { hint } : {})}>
      <input {...register(name)} defaultValue={day[name] ?? ''} />
    </Field>
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <div className="grid grid-cols-2 gap-2">
        {input('start', 'Starts at')}
        {input('end', 'Ends at')}
        {input('briefing', 'Briefing')}
        {input('demonstration', 'Showing a method')}
        {input('firstUnion', 'First union', 'our guess: 20 at first')}
        {input('falling', 'Times this at each doubling', 'our guess: 0.8')}
        {input('breakEvery', 'A break every')}
        {input('breakLength', 'Length of a break')}
        {input('lunchAt', 'Midday at')}
        {input('lunch', 'Length of midday')}
        {input('clearing', 'Clearing up')}
        {input('knives', 'Knives there are', 'empty: one each')}
      </div>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        Save
      </button>
    </form>
  );
}
