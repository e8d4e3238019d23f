import type { Metadata } from 'next';
import { daySteps } from '@/core/teach/day-steps';
import { woodOf } from '@/core/methods/shown-technique';
import { workshopBriefing } from '@/server/teach/briefing';
import { drawnBodies } from '@/server/teach/drawn-bodies';
import { teachingState } from '@/server/teach/teaching';
import { taughtMethods } from '@/server/plan/planned-methods';
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
  const taught = await taughtMethods(context, workshop);
  const unit = context.actor.lengthUnit;
  const [state, briefing, bodies] = await Promise.all([
    teachingState(context, id),
    workshopBriefing(context, id),
    Promise.all(taught.map((method) => drawnBodies(method, workshop.schools, woodOf(method.shownWith), unit))),
  ]);
  return (
    <TeachingScreen
      workshopId={id}
      title={workshop.title}
      steps={daySteps(taught, workshop.schools, unit, bodies)}
      briefing={briefing.text}
      initial={state}
      mayChange={context.actor.role !== 'viewer'}
      seconds={RUN_DOWN}
    />
  );
}
