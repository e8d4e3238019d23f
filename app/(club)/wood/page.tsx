import type { Metadata } from 'next';
import { failedNotices } from '@/core/findings/shared/failed-before';
import { failedBefore } from '@/server/findings/causes/failed-before';
import { clubDay } from '@/server/plan/season';
import { listSites } from '@/server/club/sites';
import { ledger, warningsOf } from '@/server/plan/wood-ledger';
import { listSources } from '@/server/plan/wood-sources';
import { LotsTable } from '@/ui/plan/wood/lots-table';
import { SourcesBoard } from '@/ui/plan/wood/sources-board';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Wood' };

export default async function WoodPage() {
  const context = await pageContext();
  const [lots, sources, { today }, [site], failed] = await Promise.all([
    ledger(context),
    listSources(context),
    clubDay(context),
    listSites(context),
    failedBefore(context),
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
          <LotsTable
            lots={lots.map((lot) => ({
              id: lot.id,
              variety: lot.variety,
              species: lot.species,
              cutOn: lot.cutOn,
              from: lot.from?.name ?? lot.source,
              place: lot.place,
              lookedOn: lot.checks.at(-1)?.lookedOn ?? null,
              sticks: lot.sticks,
              booked: lot.booked,
              warnings: [
                ...warningsOf(context, lot, today, place),
                ...failedNotices(failed, { lots: [lot], stocks: [] }),
              ],
            }))}
          />
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
