import { Suspense } from 'react';
import type { StepBody } from '@/core/teach/step-bodies';
import type { StepSheet } from '@/core/teach/step-sheets';
import { StepList, type StepListProps } from './step-list';

interface DrawnStepsProps {
  steps: StepSheet[];
  bodies: StepBody[] | Promise<StepBody[]>;
  meshes: StepListProps['meshes'];
  asked?: StepListProps['asked'];
}

/** The steps at once, with their bodies as soon as those are drawn: a page does not wait for them. */
export function DrawnSteps({ steps, bodies, meshes, asked }: DrawnStepsProps) {
  if (!(bodies instanceof Promise)) return <StepList steps={steps} bodies={bodies} meshes={meshes} asked={asked} />;
  return (
    <Suspense fallback={<StepList steps={steps} bodies={null} meshes={meshes} asked={asked} />}>
      <WithBodies steps={steps} bodies={bodies} meshes={meshes} asked={asked} />
    </Suspense>
  );
}

async function WithBodies({ steps, bodies, meshes, asked }: DrawnStepsProps) {
  return <StepList steps={steps} bodies={await bodies} meshes={meshes} asked={asked} />;
}
