import type { Metadata } from 'next';
import { methodById } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { stepSheets } from '@/core/teach/step-sheets';
import { teachingState } from '@/server/teach/teaching';
import { getWorkshop } from '@/server/plan/workshops';
import { Remote } from '@/ui/teach/remote';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Remote' };

export default async function RemotePage({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const method = methodById(workshop.method);
  const steps = stepSheets(method, workshop.schools, woodOf(method.shownWith), context.actor.lengthUnit);
  return (
    <Remote
      workshopId={id}
      title={workshop.title}
      initial={await teachingState(context, id)}
      mayChange={context.actor.role !== 'viewer'}
      steps={steps.map(({ id: stepId, action, lookFor, wrong, blocks }) => ({
        id: stepId,
        action,
        lookFor,
        wrong,
        blocks,
      }))}
    />
  );
}
