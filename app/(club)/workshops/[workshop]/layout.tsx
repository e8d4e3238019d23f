import { formatDate } from '@/core/units/iso-date';
import { getWorkshop } from '@/server/workshops';
import { Leaves } from '@/ui/club/leaves';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';

export default async function WorkshopLayout({ children, params }: { children: React.ReactNode; params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const workshop = await orNotFound(getWorkshop(await pageContext(), id));
  return (
    <>
      <Season chosen={workshop.id} />
      <div className="mx-auto flex max-w-[1240px] flex-wrap items-end justify-between gap-x-6 gap-y-2 px-4 pt-3">
        <p className="text-xl font-bold">{workshop.title} <span className="whitespace-nowrap text-base font-normal text-muted">{formatDate(workshop.date)}</span></p>
        <Leaves workshopId={workshop.id} />
      </div>
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-4">{children}</main>
    </>
  );
}
