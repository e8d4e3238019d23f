'use client';

import Link from 'next/link';
import type { CallusView } from '@/core/aftercare/warmth/callus-view';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import { daysBetween, formatDate } from '@/core/units/iso-date';
import { formatTemperature, type TemperatureUnit } from '@/core/units/temperature';
import { BatchList } from './batch-list';
import { CallusChart } from './callus-chart';
import { KnitDaysBar } from './knit-days-bar';
import { LiveRefresh } from './live-refresh';
import { OpenedList } from './opened-list';
import { PlaceLogForm } from './place-log-form';
import { WatchForm } from './watch-form';

interface CallusBoardProps {
  place: PlaceView;
  view: CallusView;
  unit: TemperatureUnit;
  mayChange: boolean;
  mayDecide: boolean;
}

/** A callus place: the plain way first, two weeks warm and then a look at one; beside it what a logger measured. */
export function CallusBoard({ place, view, unit, mayChange, mayDecide }: CallusBoardProps) {
  const degrees = (celsius: number): string => formatTemperature(celsius, unit);
  return (
    <div className="mb-6 flex flex-col gap-6">
      <PlainWay view={view} degrees={degrees} />
      {view.batches.length > 0 && <BatchList place={place} view={view} mayChange={mayChange} />}
      <section aria-labelledby="measured">
        <h2 id="measured" className="mb-1">
          What the logger measured
        </h2>
        <LiveRefresh placeId={place.id} readings={view.readings} />
        {view.readings < 2 ? (
          <p className="text-muted">Nothing was measured yet. Read the file of a logger, or go the plain way.</p>
        ) : (
          <>
            <Measured view={view} degrees={degrees} />
            <CallusChart plotted={view.plotted} range={view.range} band={view.band} unit={unit} />
            <h3 className="mt-2 font-bold">Knit days</h3>
            <KnitDaysBar days={view.days} />
            <Spells view={view} degrees={degrees} />
          </>
        )}
        {mayChange && !place.putAway && (
          <div className="mt-3 grid gap-6 md:grid-cols-2">
            <PlaceLogForm placeId={place.id} zone={view.zone} />
            <WatchForm place={place} />
          </div>
        )}
        <Logs logs={view.logs} />
      </section>
      <OpenedList place={place} view={view} mayChange={mayChange && !place.putAway} mayDecide={mayDecide} />
    </div>
  );
}

interface PartProps {
  view: CallusView;
  degrees: (celsius: number) => string;
}

/** Two weeks warm, then look at one. */
function PlainWay({ view, degrees }: PartProps) {
  const first = view.batches.filter(({ leftOn }) => leftOn === null).sort((a, b) => (a.lookOn < b.lookOn ? -1 : 1))[0];
  const look = first?.lookOn ?? null;
  const range = view.range ? `${degrees(view.range.from)} to ${degrees(view.range.to)}` : 'warm';
  return (
    <section aria-labelledby="plain" className="border-2 border-ink bg-sheet p-4">
      <h2 id="plain">{counted(Math.round(view.callused * 10) / 10, 'day')} warm, then look at one</h2>
      <p className="max-w-prose">
        Keep it at {range}
        {view.kin ? ` for ${view.kin} kin` : ''}, moist and out of the sun. After{' '}
        {counted(Math.round(view.callused), 'day')} open one of the batch: a ring of callus all round means that the
        rest can move to the cool.
      </p>
      {look && (
        <p className="mt-1 text-lg font-bold">
          {view.today >= look
            ? `Look at one now: it was due on ${formatDate(look)}.`
            : `Look at one on ${formatDate(look)}, in ${counted(daysBetween(view.today, look), 'day')}.`}
        </p>
      )}
      {view.callusedSource === null && (
        <p className="text-sm text-muted">The number of days is this site’s own guess.</p>
      )}
    </section>
  );
}

function Measured({ view, degrees }: PartProps) {
  const heat = view.days.reduce((sum, { heatHours }) => sum + heatHours, 0);
  const frost = view.days.reduce((sum, { frostHours }) => sum + frostHours, 0);
  return (
    <p className="mb-1">
      {view.readings.toLocaleString('en')} readings, the last one{' '}
      {view.lastValue === null ? '' : degrees(view.lastValue)} on{' '}
      {view.lastAt ? `${formatDate(view.lastAt.slice(0, 10))}` : ''}.{' '}
      <span className={heat >= 1 ? 'font-bold text-loud' : ''}>
        {counted(Math.round(heat), 'hour')} too hot to knit
      </span>
      , {counted(Math.round(frost), 'hour')} of frost in the days that are drawn.
      {view.range && (
        <span className="text-muted">
          {' '}
          The band is {degrees(view.range.from)} to {degrees(view.range.to)} ({view.range.source ?? 'our guess'}); the
          dashed lines are where knitting begins and stops.
        </span>
      )}
    </p>
  );
}

/** Whiles out of range, latest first. */
function Spells({ view: { spells, letters }, degrees }: PartProps) {
  if (spells.length === 0) return null;
  return (
    <details className="mt-2" open={spells[0]!.lasts}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">
        {counted(spells.length, 'while')} out of range{letters > 0 ? `, ${counted(letters, 'letter')} sent` : ''}
      </summary>
      <ul className="divide-y divide-line border-y border-line">
        {spells.map(({ from, hours, side, worst, lasts }) => (
          <li key={from} className={`py-1 ${lasts ? 'font-bold text-loud' : ''}`}>
            {formatDate(new Date(from).toISOString().slice(0, 10))}: too {side} for {Math.round(hours * 10) / 10} hours,{' '}
            {side === 'hot' ? 'up' : 'down'} to {degrees(worst)}
            {lasts ? '; it lasts' : ''}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Logs({ logs }: Pick<CallusView, 'logs'>) {
  if (logs.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Files that were read ({logs.length})</summary>
      <ul className="divide-y divide-line border-y border-line">
        {logs.map(({ id, fileName, from, to, readings, added, notes }) => (
          <li key={id} className="py-1.5">
            <span className="font-bold">{fileName}</span>: {formatDate(from)} to {formatDate(to)}, {readings} readings
            {added < readings ? `, ${added} of them new` : ''}.
            {notes.map((note) => (
              <span key={note} className="block text-sm text-muted">
                {note}
              </span>
            ))}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm">
        <Link href="/stand-ins/logger">Simulated logger</Link>
      </p>
    </details>
  );
}
