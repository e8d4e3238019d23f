import type { PlacementPick } from '../contact/placement';

/** Where a figure comes from. An assumed figure never feeds what is learnt about a person's hands. */
export type Origin = 'measured' | 'picked' | 'assumed';

export interface Measure {
  /** mm, or degrees for a turn. */
  value: number;
  origin: Origin;
}

/** Raw measures of a cut that runs through both shoots, as kept with a judgement. */
export interface Measures {
  stockDiameter: Measure;
  scionDiameter: Measure;
  stockBark: Measure;
  scionBark: Measure;
  stockLength: Measure;
  scionLength: Measure;
  stockHollow: Measure;
  scionHollow: Measure;
  /** Sideways: a pick in words, or mm to the right. */
  placement: { pick: PlacementPick } | Measure;
  /** Along the cut, upwards. */
  lift: Measure;
  /** Anticlockwise, degrees. */
  turn: Measure;
}
