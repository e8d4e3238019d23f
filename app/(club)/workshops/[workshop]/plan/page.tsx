import { counted } from '@/core/units/counted';
import type { Metadata } from 'next';
import Link from 'next/link';
import { METHODS, methodById } from '@/core/methods/registry';
import { formatDate } from '@/core/units/iso-date';
import { failedNotices } from '@/core/findings/shared/failed-before';
import { failedBefore } from '@/server/findings/causes/failed-before';
import { listSeats } from '@/server/plan/seats';
import { workshopLots, type WorkshopLots } from '@/server/plan/lots';
import { getSite, listSites } from '@/server/club/sites';
import { getWorkshop } from '@/server/plan/workshops';
import { heardBriefing } from '@/server/teach/briefing';
import { readiness } from '@/server/plan/ready';
import { FailedNotice } from '@/ui/findings/failed-notice';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { LightWord } from '@/ui/plan/dates/light-word';
import { EditWorkshop } from '@/ui/plan/season/edit-workshop';
import { RosterTable } from '@/ui/plan/roster/roster-table';
import { WalkIn } from '@/ui/plan/roster/walk-in';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Plan' };

export default async function Plan({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const [ready, site, sites, seats, lots, failed] = await Promise.all([
    heardBriefing(context, id).then((heard) => readiness(context, id, heard)),
    getSite(context, workshop.siteId),
    listSites(context),
    listSeats(context, id),
    workshopLots(context, id),
    failedBefore(context),
  ]);
  const mayChange = context.actor.role !== 'viewer';
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="lg:col-span-2 empty:hidden">
        <FailedNotice notices={failedNotices(failed, { lots: lots.wood, stocks: lots.stocks, date: workshop.date })} />
      </div>
      <section aria-labelledby="roster-title">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
          <h1 id="roster-title">
            Roster{' '}
            <span className="text-base font-normal text-muted">
              {counted(seats.length, 'seat')}, {seats.filter(({ absent }) => absent).length} absent
            </span>
          </h1>
          {mayChange && (
            <Link href={`/workshops/${id}/plan/roster`} className="bench-button">
              Read a CSV file
            </Link>
          )}
        </div>
        {mayChange && <WalkIn workshopId={id} />}
        <RosterTable
          workshopId={id}
          mayChange={mayChange}
          mayErase={context.actor.role === 'lead'}
          seats={seats.map(({ id: seatId, number, absent, leftHanded, skill, person }) => ({
            id: seatId,
            number,
            absent,
            personId: person.id,
            name: person.name,
            email: person.email,
            phone: person.phone,
            mayContact: person.mayContact,
            leftHanded,
            skill,
            erased: person.erasedAt !== null,
          }))}
        />
      </section>
      <div className="flex flex-col gap-4">
        <DayFacts mayChange={mayChange} workshop={workshop} sites={sites} site={site} />
        <section className="board" aria-labelledby="ready-title">
          <h2 id="ready-title" className="mb-1">
            Before the day
          </h2>
          <p className="mb-2">
            <LightWord light={ready.light} />
          </p>
          <Link href={`/workshops/${id}/plan/ready`} className="font-bold">
            {ready.light === 'go' ? 'See the ready check' : 'See what is missing'}
          </Link>
        </section>
        <LotList lots={lots} id={id} />
      </div>
    </div>
  );
}

interface LotListProps {
  lots: WorkshopLots;
  id: string;
}

/** Wood and stocks that were chosen. */
function LotList({ lots, id }: LotListProps) {
  return (
    <section className="board" aria-labelledby="lots-title">
      <h2 id="lots-title" className="mb-1">
        Wood and stocks
      </h2>
      <ul>
        {lots.wood.map((lot) => (
          <li key={lot.id} className="flex items-center gap-2 py-0.5">
            <RibbonStrip id={lot.ribbon} />
            <span className="font-bold">{lot.variety}</span> <span className="text-sm text-muted">{lot.species}</span>
          </li>
        ))}
        {lots.stocks.map((lot) => (
          <li key={lot.id} className="py-0.5">
            <span className="font-bold">{lot.stockType}</span>{' '}
            <span className="text-sm text-muted">{lot.species} stocks</span>
          </li>
        ))}
      </ul>
      {lots.wood.length + lots.stocks.length === 0 && <p className="text-muted">Nothing chosen yet.</p>}
      <Link href={`/workshops/${id}/plan/wood`} className="font-bold">
        Choose and book wood
      </Link>
    </section>
  );
}

interface DayFactsProps {
  mayChange: boolean;
  workshop: Awaited<ReturnType<typeof getWorkshop>>;
  sites: Awaited<ReturnType<typeof listSites>>;
  site: Awaited<ReturnType<typeof getSite>>;
}

/** The day itself. */
function DayFacts({ mayChange, workshop, sites, site }: DayFactsProps) {
  return (
    <section className="board" aria-labelledby="day-title">
      <div className="mb-2 flex items-start justify-between gap-2">
        <h2 id="day-title">The day</h2>
        {mayChange && (
          <EditWorkshop
            workshop={workshop}
            sites={sites.map((site) => ({ id: site.id, name: site.name }))}
            methods={METHODS.map((method) => ({ id: method.id, name: method.name }))}
          />
        )}
      </div>
      <dl className="grid grid-cols-[6rem_1fr] gap-x-3 gap-y-1">
        <dt className="text-muted">Date</dt>
        <dd>{formatDate(workshop.date)}</dd>
        <dt className="text-muted">Site</dt>
        <dd>{site.name}</dd>
        <dt className="text-muted">Method</dt>
        <dd>{methodById(workshop.method).name}</dd>
        <dt className="text-muted">Promised</dt>
        <dd>
          {workshop.promisedKeepers === 0
            ? 'no keepers'
            : `${workshop.promisedKeepers} ${workshop.promisedKeepers === 1 ? 'keeper' : 'keepers'} each`}
          {workshop.promise && `: ${workshop.promise}`}
        </dd>
      </dl>
    </section>
  );
}
