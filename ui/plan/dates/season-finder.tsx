'use client';

import Link from 'next/link';
import { ASSUMPTIONS } from '@/core/plan/phenology/assumptions';
import { written } from '@/core/units/prose';
import { useRouter } from 'next/navigation';
import { useMemo, useState, type Dispatch, type SetStateAction } from 'react';
import type { MethodFacts } from '@/core/methods/method-facts';
import { PLACE_WORDS } from '@/core/methods/use';
import { datedPlan, type DatedPlan, type PlanFacts } from '@/core/plan/dates/dated-plan';
import type { PlannedMethod } from '@/core/plan/dates/planned-method';
import { seasonStretches } from '@/core/plan/dates/season-finder';
import { seasonWindow } from '@/core/plan/dates/season-line';
import { siteCalendar } from '@/core/plan/dates/taught-on';
import { formatDate } from '@/core/units/iso-date';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { ConflictList } from './conflict-list';
import { DateList } from './date-list';
import { type Band, YearBands } from './year-bands';

interface SeasonFinderProps {
  workshopId: string;
  siteId: string;
  siteName: string;
  facts: PlanFacts;
  /** All that can be taught. */
  known: MethodFacts[];
  mayChange: boolean;
}

/** When each method can be taught at this site; the day is drawn along the year and all that hangs on it follows. */
export function SeasonFinder({ workshopId, siteId, siteName, facts, known, mayChange }: SeasonFinderProps) {
  const router = useRouter();
  const { run, busy, problem } = useSend();
  const [day, setDay] = useState(facts.date);
  const [every, setEvery] = useState(false);
  const calendar = useMemo(() => siteCalendar(facts.year, known), [facts.year, known]);
  // The window stays while the day moves in it.
  const shown = useMemo(() => seasonWindow(facts.date, 1), [facts.date]);
  const plans = useMemo(
    () =>
      every
        ? [
            ...facts.methods,
            ...known
              .filter(({ id }) => !facts.methods.some(({ method }) => method === id))
              .map((method): PlannedMethod => ({
                ...facts.methods[0]!,
                method: method.id,
                place: method.use.places[0]!,
              })),
          ]
        : facts.methods,
    [every, facts.methods, known],
  );
  const bands = useMemo(
    () =>
      plans.map((plan): Band => ({
        id: plan.method,
        name: known.find(({ id }) => id === plan.method)!.name,
        where: `${plan.scionSpecies} on ${plan.stockSpecies}, ${PLACE_WORDS[plan.place]}`,
        planned: facts.methods.includes(plan),
        stretches: facts.year.climate
          ? seasonStretches(shown.from, shown.to, (date) => calendar.yearOf(plan, date)!)
          : [],
      })),
    [plans, facts, shown, calendar, known],
  );
  const plan = datedPlan(facts, known, day, calendar);
  const before = useMemo(() => datedPlan(facts, known, facts.date, calendar), [facts, calendar, known]);
  const move = async (): Promise<void> => {
    const sent = await run('PUT', `/api/workshops/${workshopId}/date`, { date: day, from: facts.date });
    if (sent?.ok) router.refresh();
  };
  return (
    <div className="flex flex-col gap-5">
      <FinderHead siteName={siteName} every={every} setEvery={setEvery} />
      {facts.year.climate && (
        <YearBands shown={shown} bands={bands} day={day} original={facts.date} today={facts.today} onMove={setDay} />
      )}
      <Problem>{problem?.message}</Problem>
      <div className="flex flex-wrap items-center gap-3" role="status">
        {day === facts.date ? (
          <p>
            The workshop is on <strong>{formatDate(day)}</strong>.
          </p>
        ) : (
          <OtherDay day={day} facts={facts} mayChange={mayChange} busy={busy} move={move} setDay={setDay} />
        )}
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-2">
        <Verdicts plans={plans} calendar={calendar} day={day} plan={plan} siteId={siteId} facts={facts} />
        <section aria-labelledby="follow">
          <h2 id="follow" className="mb-2">
            What hangs on it
          </h2>
          <DateList dates={plan.dates} today={facts.today} before={day === facts.date ? null : before.dates} brief />
        </section>
      </div>
    </div>
  );
}

const nameOf = (id: string): string => ASSUMPTIONS.find((assumption) => assumption.id === id)!.name;

interface VerdictsProps {
  plans: PlannedMethod[];
  calendar: ReturnType<typeof siteCalendar>;
  day: string;
  plan: DatedPlan;
  siteId: SeasonFinderProps['siteId'];
  facts: SeasonFinderProps['facts'];
}

/** Which methods are in season on the day. */
function Verdicts({ plans, calendar, day, plan, siteId, facts }: VerdictsProps) {
  return (
    <section aria-labelledby="verdicts">
      <h2 id="verdicts" className="mb-2">
        On that day
      </h2>
      <ul className="mb-4 divide-y divide-line border-y border-line">
        {plans
          .map((plan) => calendar.on(plan, day))
          .map(({ method, verdict, plan: planned }) => (
            <li key={planned.method} className="py-2">
              <span className="font-bold">
                {method.name}:{' '}
                {verdict.chance === 'open'
                  ? 'in season'
                  : verdict.chance === 'edge'
                    ? 'possible, with a risk'
                    : 'not now'}
              </span>
              <span className="block text-sm">{written(verdict.why, 'mm', facts.temperatureUnit)}</span>
              {verdict.hangsOn && (
                <span className="block text-sm text-muted">
                  This depends on a figure of the site:{' '}
                  <Link href={`/sites/${siteId}#figures`}>{nameOf(verdict.hangsOn)}</Link>
                </span>
              )}
            </li>
          ))}
      </ul>
      <h2 className="mb-2">Mind</h2>
      <ConflictList
        conflicts={plan.conflicts.filter(({ id }) => !id.startsWith('season-'))}
        siteId={siteId}
        hasNormals={facts.year.climate !== null}
      />
    </section>
  );
}

interface OtherDayProps {
  day: string;
  facts: SeasonFinderProps['facts'];
  mayChange: SeasonFinderProps['mayChange'];
  busy: boolean;
  move: () => Promise<void>;
  setDay: Dispatch<SetStateAction<string>>;
}

/** The day that is tried out, and moving the workshop there. */
function OtherDay({ day, facts, mayChange, busy, move, setDay }: OtherDayProps) {
  return (
    <>
      <p>
        <strong>{formatDate(day)}</strong> is tried out; the workshop is still on {formatDate(facts.date)}.
      </p>
      {mayChange && (
        <button type="button" className="bench-button" data-weight="main" disabled={busy} onClick={() => void move()}>
          Move the workshop to {formatDate(day)}
        </button>
      )}
      <button type="button" className="bench-button" onClick={() => setDay(facts.date)}>
        Back
      </button>
    </>
  );
}

interface FinderHeadProps {
  siteName: SeasonFinderProps['siteName'];
  every: boolean;
  setEvery: Dispatch<SetStateAction<boolean>>;
}

/** Where, and which methods are shown. */
function FinderHead({ siteName, every, setEvery }: FinderHeadProps) {
  return (
    <div className="flex flex-wrap items-end justify-between gap-3">
      <div>
        <h1>When can it be taught?</h1>
        <p className="text-muted">
          {siteName}. Leafed green: in season. Hatched: possible, with a risk. Bare: not. Drag the day along the year,
          or move it with the arrow keys.
        </p>
      </div>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={every}
          onChange={(event) => setEvery(event.target.checked)}
        />
        Every method on this wood
      </label>
    </div>
  );
}
