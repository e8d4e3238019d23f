import type { Point } from '@/core/methods/method';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';

/** What the rubric's editor shows and changes of a point, its words in the reader's unit. */
export interface EditedPoint extends Pick<Point, 'id' | 'letter' | 'name' | 'weight' | 'stage' | 'measured'> {
  good: string;
  correction: string;
  faults: { grade: Point['faults'][number]['grade']; words: string }[];
}

export function editedPoint(
  { id, letter, name, weight, stage, measured, good, correction, faults }: Point,
  unit: LengthUnit,
): EditedPoint {
  return {
    id,
    letter,
    name,
    weight,
    stage,
    measured,
    good: written(good, unit),
    correction: written(correction, unit),
    faults: faults.map(({ grade, words }) => ({ grade, words: written(words, unit) })),
  };
}
