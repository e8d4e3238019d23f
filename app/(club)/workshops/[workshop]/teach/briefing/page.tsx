import type { Metadata } from 'next';
import { workshopBriefing } from '@/server/teach/briefing';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats } from '@/server/plan/seats';
import { BriefingBoard } from '@/ui/teach/briefing-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Safety briefing' };

export default async function BriefingPage({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const [briefing, seats] = await Promise.all([orNotFound(workshopBriefing(context, id)), listSeats(context, id)]);
  return (
    <BriefingBoard
      workshopId={id}
      text={briefing.text}
      contentHash={briefing.contentHash}
      sap={briefing.sap}
      mayChange={context.actor.role !== 'viewer'}
      people={seats
        .filter(({ absent }) => !absent)
        .map(({ number, person }) => {
          const known = briefing.acknowledged.get(person.id);
          return {
            id: person.id,
            seat: number,
            name: person.name ?? ERASED_NAME,
            at: known?.at.toISOString() ?? null,
            current: known?.current ?? false,
          };
        })}
    />
  );
}
