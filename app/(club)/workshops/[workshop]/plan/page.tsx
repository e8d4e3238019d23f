import type { Metadata } from 'next';
import Link from 'next/link';
import { METHODS, methodById } from '@/core/methods/registry';
import { formatDate } from '@/core/units/iso-date';
import { listSeats } from '@/server/seats';
import { workshopLots } from '@/server/lots';
import { getSite, listSites } from '@/server/sites';
import { getWorkshop } from '@/server/workshops';
import { LotsBoard } from '@/ui/lots/lots-board';
import { EditWorkshop } from '@/ui/season/edit-workshop';
import { RosterTable } from '@/ui/roster/roster-table';
import { WalkIn } from '@/ui/roster/walk-in';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Plan' };

export default async function Plan({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const [site, sites, seats, lots] = await Promise.all([getSite(context, workshop.siteId), listSites(context), listSeats(context, id), workshopLots(context, id)]);
  const mayChange = context.actor.role !== 'viewer';
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section aria-labelledby="roster-title">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
          <h1 id="roster-title">Roster <span className="text-base font-normal text-muted">{seats.length} seats, {seats.filter(({ absent }) => absent).length} absent</span></h1>
          {mayChange && <Link href={`/workshops/${id}/plan/roster`} className="bench-button">Read a CSV file</Link>}
        </div>
        {mayChange && <WalkIn workshopId={id} />}
        <RosterTable
          workshopId={id} mayChange={mayChange} mayErase={context.actor.role === 'lead'}
          seats={seats.map(({ id: seatId, number, absent, person }) => ({
            id: seatId, number, absent, personId: person.id, name: person.name, email: person.email, phone: person.phone, mayContact: person.mayContact, erased: person.erasedAt !== null,
          }))}
        />
      </section>
      <div className="flex flex-col gap-4">
        <section className="board" aria-labelledby="day-title">
          <div className="mb-2 flex items-start justify-between gap-2">
            <h2 id="day-title">The day</h2>
            {mayChange && (
              <EditWorkshop workshop={workshop} sites={sites.map((one) => ({ id: one.id, name: one.name }))} methods={METHODS.map((method) => ({ id: method.id, name: method.name }))} />
            )}
          </div>
          <dl className="grid grid-cols-[6rem_1fr] gap-x-3 gap-y-1">
            <dt className="text-muted">Date</dt><dd>{formatDate(workshop.date)}</dd>
            <dt className="text-muted">Site</dt><dd>{site.name}</dd>
            <dt className="text-muted">Method</dt><dd>{methodById(workshop.method).name}</dd>
            <dt className="text-muted">Promised</dt>
            <dd>{workshop.promisedKeepers === 0 ? 'no keepers' : `${workshop.promisedKeepers} ${workshop.promisedKeepers === 1 ? 'keeper' : 'keepers'} each`}{workshop.promise && `: ${workshop.promise}`}</dd>
          </dl>
        </section>
        <LotsBoard workshopId={id} lots={lots} mayChange={mayChange} temperatureUnit={context.actor.temperatureUnit} />
      </div>
    </div>
  );
}
