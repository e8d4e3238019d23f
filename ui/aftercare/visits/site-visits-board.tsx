'use client';

import Link from 'next/link';
import { useState } from 'react';
import { Plus, X } from 'lucide-react';
import type { SiteVisits } from '@/core/aftercare/visits/visit-sheet';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { minutesWords } from '../week/minutes-words';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** One site: the days one can go, the visits that come of them, and what none of them reaches. */
export function SiteVisitsBoard({ site, mayChange }: { site: SiteVisits; mayChange: boolean }) {
  return (
    <section aria-labelledby={`visits-${site.siteId}`} className="mb-8">
      <h2 id={`visits-${site.siteId}`}>
        {site.site}{' '}
        <span className="text-base font-normal text-muted">
          {counted(site.plants, 'plant')}, {counted(site.open, 'task')} in the next four months
        </span>
      </h2>
      <div className="mt-2 grid gap-6 lg:grid-cols-[20rem_1fr]">
        <DaysForm site={site} mayChange={mayChange} />
        <div>
          {site.rule === null ? (
            <p className="board">Say on which days you can go, and the visits are found.</p>
          ) : (
            <VisitList site={site} />
          )}
        </div>
      </div>
    </section>
  );
}

function DaysForm({ site: { siteId, rule, today }, mayChange }: { site: SiteVisits; mayChange: boolean }) {
  const { run, busy, problem, setProblem } = useSend();
  const [weekdays, setWeekdays] = useState<readonly number[]>(rule?.weekdays ?? []);
  const [dates, setDates] = useState<readonly string[]>(rule?.dates ?? []);
  const [most, setMost] = useState(rule?.most === null || rule === null ? '' : String(rule.most));
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (weekdays.length === 0 && dates.length === 0 && most.trim() === '')
          return setProblem({
            message: 'Choose a weekday, add a day, or say how many visits at most.',
            fields: {},
          });
        void run('PUT', `/api/visit-rules/${siteId}`, {
          weekdays,
          dates,
          most: most.trim() === '' ? null : most,
          version: rule?.version ?? 0,
        });
      }}
    >
      <Weekdays chosen={weekdays} mayChange={mayChange} onChange={setWeekdays} />
      <SingleDays dates={dates} today={today} mayChange={mayChange} onChange={setDates} />
      <Field label="Visits at most" hint="Left empty: as many as it takes. Alone: on any day.">
        <input
          inputMode="numeric"
          value={most}
          disabled={!mayChange}
          onChange={(event) => setMost(event.target.value)}
        />
      </Field>
      {mayChange && (
        <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
          Find the visits
        </button>
      )}
      <Problem>{problem?.message}</Problem>
    </form>
  );
}

interface WeekdaysProps {
  chosen: readonly number[];
  mayChange: boolean;
  onChange: (weekdays: readonly number[]) => void;
}

function Weekdays({ chosen, mayChange, onChange }: WeekdaysProps) {
  return (
    <fieldset disabled={!mayChange}>
      <legend className="font-bold">Days one can go</legend>
      <div className="mt-1 grid grid-cols-4 gap-1">
        {WEEKDAYS.map((name, i) => (
          <label
            key={name}
            className="flex min-h-11 cursor-pointer items-center gap-2 border-2 border-ink bg-sheet px-2"
          >
            <input
              type="checkbox"
              checked={chosen.includes(i + 1)}
              onChange={(event) =>
                onChange(event.target.checked ? [...chosen, i + 1] : chosen.filter((weekday) => weekday !== i + 1))
              }
            />
            {name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

interface SingleDaysProps {
  dates: readonly string[];
  today: string;
  mayChange: boolean;
  onChange: (dates: readonly string[]) => void;
}

function SingleDays({ dates, today, mayChange, onChange }: SingleDaysProps) {
  const [date, setDate] = useState('');
  return (
    <div>
      <div className="flex items-end gap-2">
        <Field label="And on single days">
          <input
            type="date"
            min={today}
            value={date}
            disabled={!mayChange}
            onChange={(event) => setDate(event.target.value)}
          />
        </Field>
        <button
          type="button"
          className="bench-button"
          disabled={!mayChange}
          aria-label="Add this day"
          onClick={() => {
            if (date !== '' && !dates.includes(date)) onChange([...dates, date].sort());
            setDate('');
          }}
        >
          <Plus aria-hidden className="size-4" />
        </button>
      </div>
      <ul className="mt-1 flex flex-wrap gap-1">
        {dates.map((day) => (
          <li key={day}>
            <button
              type="button"
              className="bench-button"
              disabled={!mayChange}
              aria-label={`Leave out ${formatDate(day)}`}
              onClick={() => onChange(dates.filter((other) => other !== day))}
            >
              {formatDate(day)} <X aria-hidden className="size-4" />
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function VisitList({ site: { siteId, visits, unreached } }: { site: SiteVisits }) {
  return (
    <>
      {visits.length === 0 ? (
        <p>Nothing of the next four months falls on a day one can go.</p>
      ) : (
        <ol className="divide-y divide-line border-y border-line">
          {visits.map(({ on, plants, tasks, alarms, minutes }) => (
            <li key={on} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
              <Link href={`/visits/${siteId}/${on}`} className="w-40 font-bold">
                {formatDate(on)}
              </Link>
              <span className="grow">
                {counted(tasks, 'task')} on {counted(plants, 'plant')}, about {minutesWords(minutes)}
              </span>
              {alarms > 0 && <strong className="text-loud">{counted(alarms, 'tie')} past the last day</strong>}
              <a
                className="bench-button"
                href={`/api/visits/${siteId}/${on}?paper=A4`}
                aria-label={`Sheet for ${formatDate(on)} on paper`}
              >
                PDF
              </a>
            </li>
          ))}
        </ol>
      )}
      {unreached.length > 0 && (
        <div className="mt-4 border-l-4 border-ink bg-mist p-3">
          <h3 className="font-bold">No visit reaches</h3>
          <ul>
            {unreached.map(({ name, variety, from, to, plants }) => (
              <li key={`${name} ${variety} ${from} ${to}`}>
                {name}: {counted(plants, 'plant')} of {variety}, {formatDate(from)}
                {to === from ? '' : ` to ${formatDate(to)}`}
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}
