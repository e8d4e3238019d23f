import type { Metadata } from 'next';
import { addDays } from '@/core/units/iso-date';
import { listPlaces } from '@/server/aftercare/places/places';
import { clubDay } from '@/server/plan/season';
import { LiveLogger } from '@/ui/kit/stand-ins/live-logger';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Simulated temperature logger' };

export default async function LoggerPage() {
  const context = await pageContext();
  const [{ today }, places] = await Promise.all([clubDay(context), listPlaces(context)]);
  return (
    <main id="main" className="mx-auto max-w-2xl px-4 py-5">
      <h1>Temperature logger, simulated</h1>
      <p className="mb-4 text-muted">
        Writes the CSV file that a logger would, or speaks live to a place. Nothing of it was measured.
      </p>
      <form action="/api/stand-ins/logger" method="get" className="board flex flex-col gap-3">
        <div className="grid grid-cols-2 gap-3">
          <label className="font-bold">
            First day
            <input className="bench-input" type="date" name="from" defaultValue={addDays(today, -30)} />
          </label>
          <label className="font-bold">
            Days
            <input className="bench-input" name="days" inputMode="numeric" defaultValue={30} />
          </label>
          <label className="font-bold">
            Set to, °C
            <input className="bench-input" name="target" inputMode="decimal" defaultValue={2.5} />
          </label>
          <label className="font-bold">
            A reading every, minutes
            <input className="bench-input" name="everyMinutes" inputMode="numeric" defaultValue={30} />
          </label>
          <label className="font-bold">
            Its name
            <input className="bench-input" name="name" maxLength={60} />
          </label>
          <label className="font-bold">
            Writes
            <select className="bench-input" name="unit">
              <option value="C">°C</option>
              <option value="F">°F</option>
            </select>
          </label>
        </div>
        <fieldset className="flex flex-col">
          <legend className="font-bold">What goes wrong</legend>
          {[
            ['warm-days', 'The door stands open for two days'],
            ['gap', 'A day without readings'],
            ['repeats', 'Readings written twice'],
            ['disorder', 'Times out of order'],
          ].map(([id, words]) => (
            <label key={id} className="flex min-h-9 items-center gap-2">
              <input type="checkbox" className="size-5" name="faults" value={id} />
              {words}
            </label>
          ))}
        </fieldset>
        <button type="submit" className="bench-button self-start" data-weight="main">
          Write the log
        </button>
      </form>
      <h2 className="mt-6 mb-2">Live</h2>
      <LiveLogger
        places={places.filter(({ kind }) => kind !== 'tree').map(({ id, name, logger }) => ({ id, name, logger }))}
        mayChange={context.actor.role !== 'viewer'}
      />
    </main>
  );
}
