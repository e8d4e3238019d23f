import { daySchools } from '@/server/plan/taught';
import type { Metadata } from 'next';
import type { DayStep } from '@/core/teach/day-steps';
import { woodOf } from '@/core/methods/shown-technique';
import { workshopBriefing } from '@/server/teach/briefing';
import { filedBodiesOf, filedSteps, type StepsDrawn } from '@/server/teach/drawing-files';
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
  const choices = await daySchools(context, workshop);
  const drawn = taught.map((method): StepsDrawn => ({
    method,
    choices,
    wood: woodOf(method.shownWith),
    unit,
    theme: 'dim',
  }));
  const [state, briefing, bodies] = await Promise.all([
    teachingState(context, id),
    workshopBriefing(context, id),
    Promise.all(drawn.map(filedBodiesOf)),
  ]);
  const steps = taught.flatMap((method, m): DayStep[] =>
    filedSteps(drawn[m]!).map((step, at) => ({
      ...step,
      body: bodies[m]![at] ?? null,
      // Methods have steps in common.
      id: taught.length > 1 ? `${method.id}-${step.id}` : step.id,
      method: method.name,
      methodId: method.id,
      stepId: step.id,
    })),
  );
  return (
    <TeachingScreen
      workshopId={id}
      title={workshop.title}
      steps={steps}
      briefing={briefing.text}
      initial={state}
      mayChange={context.actor.role !== 'viewer'}
      seconds={RUN_DOWN}
    />
  );
}
