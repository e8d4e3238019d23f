import type { Point } from '@/core/methods/method';

/** What the rubric's editor shows and changes of a point. */
export type EditedPoint = Pick<
  Point,
  'id' | 'letter' | 'name' | 'weight' | 'stage' | 'good' | 'correction' | 'faults' | 'measured'
>;
