import { Suspense } from 'react';
import type { StepBody } from '@/core/teach/step-bodies';
import type { StepSheet } from '@/core/teach/step-sheets';
import { StepList } from './step-list';

interface DrawnStepsProps {
  steps: StepSheet[];
  bodies: Promise<StepBody[]>;
}

/** The steps at once, with their bodies as soon as those are drawn: a page does not wait for them. */
export function DrawnSteps({ steps, bodies }: DrawnStepsProps) {
  return (
    <Suspense fallback={<StepList steps={steps} bodies={null} />}>
      <WithBodies steps={steps} bodies={bodies} />
    </Suspense>
  );
}

async function WithBodies({ steps, bodies }: DrawnStepsProps) {
  return <StepList steps={steps} bodies={await bodies} />;
}
