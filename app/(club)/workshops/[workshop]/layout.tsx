import Link from 'next/link';
import { formatDate } from '@/core/units/iso-date';
import { isWithinYears, WORKSHOP_YEARS } from '@/core/inputs/fields';
import { getWorkshop } from '@/server/plan/workshops';
import { WorkshopPages } from '@/ui/club/workshop-pages';
import { BringBack } from '@/ui/plan/season/put-away';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';

export default async function WorkshopLayout({
  children,
  params,
}: {
  children: React.ReactNode;
  params: Promise<{ workshop: string }>;
}) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const mayChange = context.actor.role !== 'viewer';
  const odd = !isWithinYears(workshop.date, context.now, WORKSHOP_YEARS);
  return (
    <>
      <Season chosen={workshop.id} />
      <div className="mx-auto flex max-w-[1240px] flex-wrap items-end justify-between gap-x-6 gap-y-2 px-4 pt-3">
        <p className="text-xl font-bold">
          {workshop.title}{' '}
          <span className="whitespace-nowrap text-base font-normal text-muted">{formatDate(workshop.date)}</span>
        </p>
        <WorkshopPages workshopId={workshop.id} />
      </div>
      {workshop.putAwayAt && (
        <div className="mx-auto flex max-w-[1240px] flex-wrap items-center gap-3 px-4 pt-2">
          <p className="grow border-l-4 border-ink pl-3">
            <strong>Put away.</strong> This workshop is in no list and no season.
          </p>
          {mayChange && <BringBack workshopId={workshop.id} title={workshop.title} />}
        </div>
      )}
      {odd && (
        <p role="status" className="mx-auto max-w-[1240px] px-4 pt-2">
          <span className="block border-l-4 border-loud pl-3">
            <strong>The year {Number(workshop.date.slice(0, 4))} cannot be right,</strong> so what hangs on the day is
            not to be trusted. <Link href={`/workshops/${workshop.id}/plan`}>Change it on the Plan page</Link>, under
            “The day”.
          </span>
        </p>
      )}
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-4">
        {children}
      </main>
    </>
  );
}
