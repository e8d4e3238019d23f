/** What is believed of a take rate: a Beta distribution. */
export interface TakeBelief {
  a: number;
  b: number;
  /** Unions with a known outcome that it rests on, besides the prior. */
  seen: number;
}

/**
 * Belief about a take rate from a method's usual range and what a club found: the prior stands for
 * `weight` unions at the middle of the range, the findings are added.
 *
 * @throws RangeError for a range outside 0 to 1 or counts below 0.
 * @example takeBelief({ low: 0.8, high: 0.9, weight: 20 }, { alive: 3, dead: 1 }) // { a: 20, b: 4, seen: 4 }
 */
export function takeBelief(
  prior: { low: number; high: number; weight: number },
  found: { alive: number; dead: number },
): TakeBelief {
  const middle = (prior.low + prior.high) / 2;
  if (!(middle > 0 && middle < 1) || !(prior.weight > 0))
    throw new RangeError('A usual take lies between 0 and 1, with a weight above 0.');
  if (found.alive < 0 || found.dead < 0) throw new RangeError('Counts of unions cannot be below 0.');
  return {
    a: middle * prior.weight + found.alive,
    b: (1 - middle) * prior.weight + found.dead,
    seen: found.alive + found.dead,
  };
}

export function meanTake({ a, b }: TakeBelief): number {
  return a / (a + b);
}
