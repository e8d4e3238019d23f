import { ROUNDING } from '@/core/units/tolerance';

/** Cuts that were counted at a bench: those that spoiled their wood, and all that were made. */
export interface CountedCuts {
  spoiled: number;
  cuts: number;
}

/** Which share of cuts spoils its wood, and from how many cuts that is known; from none where it is a guess. */
export interface SpoilRate extends CountedCuts {
  share: number;
}

/** Fewer cuts than these say too little of a hand or a method. */
export const ENOUGH_CUTS = 20;

/** The share of spoiled cuts where nobody counted, by the skill that a method asks for: guesses all. */
const GUESSES: Record<1 | 2 | 3, number> = { 1: 0.1, 2: 0.2, 3: 0.3 };

/** Whoever spoils more than this is not planned for with wood, but practises on prunings. */
const MOST = 0.6;

/**
 * The share of cuts by one hand and method that spoils its wood: what the bench counted of that hand from twenty cuts on,
 * else of the method in the club, else a guess by how hard it is.
 *
 * @throws RangeError where more cuts spoiled than were made
 * @example spoilRate({ skill: 1 }, { spoiled: 3, cuts: 24 }, { spoiled: 0, cuts: 0 }).share // 0.125
 */
export function spoilRate({ skill }: { skill: 1 | 2 | 3 }, hand: CountedCuts, club: CountedCuts): SpoilRate {
  for (const { spoiled, cuts } of [hand, club])
    if (!(spoiled >= 0 && spoiled <= cuts)) throw new RangeError('No more cuts spoil than are made.');
  const known = [hand, club].find(({ cuts }) => cuts >= ENOUGH_CUTS);
  if (!known) return { share: GUESSES[skill], spoiled: 0, cuts: 0 };
  return { share: Math.min(MOST, known.spoiled / known.cuts), spoiled: known.spoiled, cuts: known.cuts };
}

/**
 * The rate of a whole group, each hand counting once; a guess as soon as one of them is guessed.
 *
 * @throws RangeError for nobody
 */
export function groupSpoilRate(hands: readonly SpoilRate[]): SpoilRate {
  if (hands.length === 0) throw new RangeError('A group has somebody in it.');
  const share = hands.reduce((sum, hand) => sum + hand.share, 0) / hands.length;
  if (hands.some(({ cuts }) => cuts === 0)) return { share, spoiled: 0, cuts: 0 };
  const spoiled = hands.reduce((sum, hand) => sum + hand.spoiled, 0);
  return { share, spoiled, cuts: hands.reduce((sum, hand) => sum + hand.cuts, 0) };
}

/**
 * Pieces of wood to have so that as many good ones as are wanted are to be expected.
 *
 * @example piecesWithSpoiled(16, 0.1) // 18
 */
export function piecesWithSpoiled(good: number, share: number): number {
  return Math.max(0, Math.ceil(good / (1 - share) - ROUNDING));
}

/** From what a rate is known: "a guess until the bench has counted 20 cuts", "3 of 24 cuts counted at the bench". */
export function spoilSource({ spoiled, cuts }: CountedCuts): string {
  return cuts === 0
    ? `a guess until the bench has counted ${ENOUGH_CUTS} cuts`
    : `${spoiled} of ${cuts} cuts counted at the bench`;
}
