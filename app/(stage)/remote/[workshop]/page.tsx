import { daySchools } from '@/server/plan/taught';
import type { Metadata } from 'next';
import { daySteps } from '@/core/teach/day-steps';
import { stepAnswers } from '@/core/teach/questions/step-answers';
import { woodOf } from '@/core/methods/shown-technique';
import { askedAt } from '@/server/teach/learner-questions';
import { teachingState } from '@/server/teach/teaching';
import { taughtMethods } from '@/server/plan/planned-methods';
import { getWorkshop } from '@/server/plan/workshops';
import { Remote } from '@/ui/teach/remote';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Remote' };

export default async function RemotePage({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const taught = await taughtMethods(context, workshop);
  const schools = await daySchools(context, workshop);
  const steps = daySteps(taught, schools, context.actor.lengthUnit);
  return (
    <Remote
      workshopId={id}
      title={workshop.title}
      initial={await teachingState(context, id)}
      mayChange={context.actor.role !== 'viewer'}
      asked={await askedAt(context, id)}
      answers={Object.fromEntries(
        taught.map((method) => [
          method.id,
          stepAnswers(method, schools, woodOf(method.shownWith), context.actor.lengthUnit),
        ]),
      )}
      steps={steps.map(({ id: shownId, method, methodId, stepId, action, lookFor, wrong, blocks }) => ({
        id: shownId,
        method,
        methodId,
        stepId,
        action,
        lookFor,
        wrong,
        blocks,
      }))}
    />
  );
}
