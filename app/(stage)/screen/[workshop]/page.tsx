import type { Metadata } from 'next';
import { methodById } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { stepSheets } from '@/core/teach/step-sheets';
import { workshopBriefing } from '@/server/teach/briefing';
import { teachingState } from '@/server/teach/teaching';
import { getWorkshop } from '@/server/plan/workshops';
import { TeachingScreen } from '@/ui/teach/teaching-screen';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Projector' };

/** Length of the run-down that the key starts, seconds. */
const RUN_DOWN = 180;

export default async function Screen({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const method = methodById(workshop.method);
  const [state, briefing] = await Promise.all([teachingState(context, id), workshopBriefing(context, id)]);
  return (
    <TeachingScreen
      workshopId={id}
      title={`${method.name}, ${workshop.title}`}
      steps={stepSheets(method, workshop.schools, woodOf(method.shownWith), context.actor.lengthUnit)}
      briefing={briefing.text}
      initial={state}
      mayChange={context.actor.role !== 'viewer'}
      seconds={RUN_DOWN}
    />
  );
}
