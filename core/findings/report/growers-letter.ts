import type { TakeState } from '../take/take-state';

/** A letter to a grower: what became of all grafts, and of theirs. */
export interface GrowersLetter {
  name: string;
  clubName: string;
  whose: string;
  sentence: string;
  own: { called: string; variety: string; made: string; state: TakeState }[];
}
