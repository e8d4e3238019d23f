import type { Metadata } from 'next';
import Link from 'next/link';
import { formatDate } from '@/core/units/iso-date';
import { clubDay } from '@/server/plan/season';
import { listSites } from '@/server/club/sites';
import { ledger, warningsOf } from '@/server/plan/wood-ledger';
import { listSources } from '@/server/plan/wood-sources';
import { SourcesBoard } from '@/ui/plan/wood/sources-board';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Wood' };

export default async function WoodPage() {
  const context = await pageContext();
  const [lots, sources, { today }, [site]] = await Promise.all([
    ledger(context),
    listSources(context),
    clubDay(context),
    listSites(context),
  ]);
  const place = { region: site?.region ?? '', quarantine: site?.quarantine ?? [] };
  return (
    <>
      <Season />
      <main id="main" className="mx-auto flex max-w-[1240px] flex-col gap-6 px-4 py-5">
        <div>
          <h1>Wood</h1>
          <p className="text-muted">
            Every lot of scion wood of the club, the newest first. Lots are added on the wood page of a workshop’s plan.
          </p>
        </div>
        {lots.length === 0 ? (
          <p className="board">No lot yet.</p>
        ) : (
          <div
            className="relative overflow-x-auto"
            tabIndex={0}
            role="group"
            aria-label="Lots, scrolls sideways on narrow screens"
          >
            <table className="bench-table min-w-[52rem]">
              <thead>
                <tr>
                  <th scope="col">Lot</th>
                  <th scope="col">Cut</th>
                  <th scope="col">From</th>
                  <th scope="col">Store</th>
                  <th scope="col">Last look</th>
                  <th scope="col" className="text-right">
                    Sticks
                  </th>
                  <th scope="col" className="text-right">
                    Booked
                  </th>
                  <th scope="col">Mind</th>
                </tr>
              </thead>
              <tbody>
                {lots.map((lot) => {
                  const warnings = warningsOf(lot, today, place);
                  const last = lot.checks.at(-1);
                  return (
                    <tr key={lot.id}>
                      <td>
                        <Link href={`/wood/${lot.id}`} className="font-bold">
                          {lot.variety}
                        </Link>
                        <span className="block text-sm text-muted">{lot.species}</span>
                      </td>
                      <td className="whitespace-nowrap tabular-nums">
                        {lot.cutOn ? formatDate(lot.cutOn) : 'not yet'}
                      </td>
                      <td>{lot.from?.name ?? lot.source}</td>
                      <td>{lot.place || 'not entered'}</td>
                      <td className="tabular-nums">{last ? formatDate(last.lookedOn) : 'never'}</td>
                      <td className="text-right tabular-nums">{lot.sticks}</td>
                      <td className="text-right tabular-nums">{lot.booked}</td>
                      <td>
                        {warnings.map(({ id, says, level }) => (
                          <span key={id} className={`block text-sm ${level === 'stop' ? 'font-bold text-loud' : ''}`}>
                            {says}
                          </span>
                        ))}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
        )}
        <SourcesBoard
          thisYear={Number(today.slice(0, 4))}
          mayChange={context.actor.role !== 'viewer'}
          sources={sources.map(({ id, kind, name, variety, species, note, code, lives, madeOf, years }) => ({
            id,
            kind,
            name,
            variety,
            species,
            note,
            code,
            lives,
            madeOf,
            years: years.map(({ year, sticks, booked, bookings }) => ({
              year,
              sticks,
              booked,
              bookings: bookings.map((booking) => ({ id: booking.id, whom: booking.whom, sticks: booking.sticks })),
            })),
          }))}
        />
        <p className="max-w-prose text-sm text-muted">
          Protection, quarantine and moving wood are matters of local law: the plant health authority and the owner
          decide, not this page.
        </p>
      </main>
    </>
  );
}
