/** From how many known fates on something is claimed. */
export interface Minimum {
  /** Keepers with a known fate. */
  known: number;
  /** Of the rarer fate. */
  rarer: number;
}

/** Ten of the rarer fate a coefficient is the usual rule of thumb; thirty so that a curve is one. */
export const MINIMUM = {
  score: { known: 30, rarer: 10 },
  points: { known: 40, rarer: 12 },
  compare: { known: 40, rarer: 12 },
  survival: { known: 15, rarer: 5 },
} as const satisfies Record<string, Minimum>;

/**
 * How many more answers would do, if they come as they came so far; 0 where there are enough. The rarer fate's share is
 * taken a little to the middle ((k + 1) / (n + 2)), so that none seen yet does not mean never.
 *
 * @example answersMissing({ alive: 5, dead: 1 }, { known: 30, rarer: 10 }) // 36
 */
export function answersMissing({ alive, dead }: { alive: number; dead: number }, minimum: Minimum): number {
  const known = alive + dead;
  const rarer = Math.min(alive, dead);
  const share = (rarer + 1) / (known + 2);
  return Math.max(0, minimum.known - known, rarer >= minimum.rarer ? 0 : Math.ceil((minimum.rarer - rarer) / share));
}
