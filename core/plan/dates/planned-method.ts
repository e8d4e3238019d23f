import type { Place, VariantId } from '../../methods/use';

/** Methods of a day at most. */
export const MOST_METHODS = 6;

/** A method that a workshop teaches, on what, and how much of it each person makes. */
export interface PlannedMethod {
  method: string;
  place: Place;
  scionSpecies: string;
  stockSpecies: string;
  practiceEach: number;
  keepersEach: number;
  /** Practice on prunings, or on wood and stocks as good as for keepers. */
  practiceOn: 'prunings' | 'good';
  /** Diameter of the stumps, mm, of a method that is done on stumps; the method's usual one where nobody said. */
  stump?: number | null;
  /** How it is meant to live on, where the day allows several; as the date suggests where nobody said. */
  variant?: VariantId | null;
  /** Why, where the day does not allow it. */
  variantReason?: string;
}
