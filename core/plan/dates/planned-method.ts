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

/** A method on a pair of kinds, as a plan has it, for asking a site's year about it where nothing is planned. */
export function askedMethod(
  method: string,
  place: Place,
  { scion, stock }: { scion: string; stock: string },
): PlannedMethod {
  return {
    method,
    place,
    scionSpecies: scion,
    stockSpecies: stock,
    practiceEach: 0,
    keepersEach: 0,
    practiceOn: 'prunings',
  };
}
