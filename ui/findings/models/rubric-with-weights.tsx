'use client';

import { EVERYTHING } from '@/core/findings/facts/findings-filter';
import { RubricEditor } from '@/ui/score/rubric/rubric-editor';
import type { RubricEditorProps } from '@/ui/score/rubric/use-rubric';
import { WeightsPanel } from './weights-panel';
import { useModel } from './use-model';

/** The rubric's editor, and under its points the weights by which the score would have foretold take better. */
export function RubricWithWeights(props: Omit<RubricEditorProps, 'underPoints'>) {
  const model = useModel('weights', { ...EVERYTHING, method: props.method });
  return (
    <RubricEditor
      {...props}
      underPoints={(tryWeights) => <WeightsPanel {...model} onTry={props.role === 'lead' ? tryWeights : null} />}
    />
  );
}
