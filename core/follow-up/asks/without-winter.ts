import type { Question } from '../../methods/timetable/round-advice';
import type { Variant } from '../../methods/variant';

/** Questions that speak of leaf fall or spring, and what is asked where neither comes. */
const WITHOUT_WINTER: Partial<Record<Question, Question>> = {
  'alive-at-leaf-fall': 'alive',
  'grows-in-spring': 'grows',
  'bud-woke': 'shoot',
};
const SIGNS = { 'alive-at-leaf-fall': 'alive', 'grows-in-spring': 'grows' } as const;

/**
 * A variant as it is followed up where no winter comes: half a year and a year after it was made, without a word of leaf fall or
 * spring, which such a place has not.
 */
export function withoutWinter(variant: Variant): Variant {
  return {
    ...variant,
    rounds: variant.rounds.map((round) => ({
      ...round,
      question: WITHOUT_WINTER[round.question] ?? round.question,
      signs: round.signs
        .filter((sign) => sign !== 'sleeps-till-spring')
        .map((sign) => (sign in SIGNS ? SIGNS[sign as keyof typeof SIGNS] : sign)),
    })),
  };
}

/** Whether a variant is asked without a winter, by its questions. */
export function asksWithoutWinter({ rounds }: Pick<Variant, 'rounds'>): boolean {
  return rounds.some(({ question }) => question === 'alive' || question === 'grows');
}
