import type { Metadata } from 'next';
import { failedNotices } from '@/core/findings/shared/failed-before';
import { STORE } from '@/core/plan/wood/store';
import { failedBefore } from '@/server/findings/causes/failed-before';
import { lotBookingViews } from '@/server/plan/lot-views';
import { clubDay } from '@/server/plan/season';
import { listSites } from '@/server/club/sites';
import { type LedgerLot, ledgerLot, lotReadings, warningsOf } from '@/server/plan/wood-ledger';
import { listSources } from '@/server/plan/wood-sources';
import { LotBookings } from '@/ui/plan/wood/lot-bookings';
import { LotChecks } from '@/ui/plan/wood/lot-checks';
import { LotForm, type LotValues } from '@/ui/plan/wood/lot-form';
import { LotLogs } from '@/ui/plan/wood/lot-logs';
import { WarningList } from '@/ui/plan/wood/warning-list';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';
import type { Context } from '@/server/platform/context';

export const metadata: Metadata = { title: 'A lot of wood' };

export default async function LotPage({ params }: { params: Promise<{ lot: string }> }) {
  const { lot: id } = await params;
  const context = await pageContext();
  const lot = await orNotFound(ledgerLot(context, id));
  const [readings, sources, { today }, sites, { bookings, workshops }, failed] = await Promise.all([
    lotReadings(context, id),
    listSources(context),
    clubDay(context),
    listSites(context),
    lotBookingViews(context, lot, null),
    failedBefore(context),
  ]);
  const place = { region: sites[0]?.region ?? '', quarantine: sites[0]?.quarantine ?? [] };
  const mayChange = context.actor.role !== 'viewer';
  const { checks, runs, from } = lot;
  return (
    <>
      <Season />
      <main id="main" className="mx-auto flex max-w-[1240px] flex-col gap-4 px-4 py-5">
        <div>
          <h1>
            {lot.variety}{' '}
            <span className="text-base font-normal text-muted">
              {lot.species}, {from ? `cut from ${from.name}` : lot.source}
            </span>
          </h1>
          <div className="mt-2">
            <WarningList
              warnings={[
                ...warningsOf(context, lot, today, place),
                ...failedNotices(failed, { lots: [lot], stocks: [] }),
              ]}
            />
          </div>
        </div>
        <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-5 lg:grid-cols-[minmax(0,1fr)_25rem]">
          <StoreAndLooks
            id={id}
            runs={runs}
            readings={readings}
            context={context}
            sites={sites}
            mayChange={mayChange}
            today={today}
            checks={checks}
          />
          <div className="flex flex-col gap-5">
            <section className="board" aria-labelledby="who">
              <h2 id="who" className="mb-2">
                Who gets it
              </h2>
              <LotBookings
                lotId={id}
                variety={lot.variety}
                sticks={lot.sticks}
                booked={lot.booked}
                bookings={bookings}
                workshops={workshops}
                mayChange={mayChange}
              />
            </section>
            {mayChange && (
              <section className="board" aria-labelledby="lot">
                <h2 id="lot" className="mb-2">
                  The lot
                </h2>
                <LotForm
                  lotId={id}
                  lot={lotValuesOf(lot)}
                  sources={sources.map(({ id: sourceId, name }) => ({ id: sourceId, name }))}
                />
              </section>
            )}
          </div>
        </div>
      </main>
    </>
  );
}

/** What the form changes. */
function lotValuesOf({
  variety,
  species,
  source,
  cutOn,
  stage,
  place,
  wrap,
  protectedUntil,
  leaveWords,
  certificate,
  region,
  sticks,
  usableBuds,
  sourceId,
  orderedOn,
  sentOn,
  arrivedOn,
  arrival,
  version,
}: LedgerLot): LotValues {
  return {
    variety,
    species,
    source,
    cutOn,
    stage,
    place,
    wrap,
    protectedUntil,
    leaveWords,
    certificate,
    region,
    sticks,
    usableBuds,
    sourceId,
    orderedOn,
    sentOn,
    arrivedOn,
    arrival,
    version,
  };
}

interface StoreAndLooksProps {
  id: string;
  runs: LedgerLot['runs'];
  readings: Awaited<ReturnType<typeof lotReadings>>;
  context: Context;
  sites: Awaited<ReturnType<typeof listSites>>;
  mayChange: boolean;
  today: string;
  checks: LedgerLot['checks'];
}

/** How it is stored, and what was seen of it. */
function StoreAndLooks({ id, runs, readings, context, sites, mayChange, today, checks }: StoreAndLooksProps) {
  return (
    <div className="flex flex-col gap-5">
      <section className="board" aria-labelledby="store">
        <h2 id="store" className="mb-2">
          In store
        </h2>
        <LotLogs
          lotId={id}
          runs={runs.map(({ id: runId, fileName, summary, notes }) => ({ id: runId, fileName, summary, notes }))}
          readings={readings}
          range={STORE}
          unit={context.actor.temperatureUnit}
          sites={sites.map(({ id: siteId, name }) => ({ id: siteId, name }))}
          mayChange={mayChange}
        />
      </section>
      <section className="board" aria-labelledby="looks">
        <h2 id="looks" className="mb-2">
          Looks at it
        </h2>
        <LotChecks
          lotId={id}
          today={today}
          mayChange={mayChange}
          checks={checks.map(({ id: checkId, lookedOn, green, buds, note }) => ({
            id: checkId,
            on: lookedOn,
            green,
            buds,
            note,
          }))}
        />
      </section>
    </div>
  );
}
