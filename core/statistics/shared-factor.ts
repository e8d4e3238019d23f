import betaln from '@stdlib/math-base-special-betaln';

/** How many died of how many, inside a group and beside it. */
export interface InsideAndBeside {
  dead: number;
  all: number;
  deadBeside: number;
  allBeside: number;
}

/**
 * How much more likely counts are when a group has a death rate of its own than when it shares that of what lies
 * beside it; 1 where its rate is not the higher one. Bayes factor of two binomial rates with uniform priors:
 * B(1+d, 1+n-d) B(1+D, 1+N-D) / (B(1,1) B(1+d+D, 1+n-d+N-D)).
 *
 * @throws RangeError when more died than there were, or a count is none
 * @example sharedFactor({ dead: 14, all: 21, deadBeside: 29, allBeside: 148 }) // 2561.6
 */
export function sharedFactor({ dead, all: inside, deadBeside, allBeside }: InsideAndBeside): number {
  for (const [died, all] of [
    [dead, inside],
    [deadBeside, allBeside],
  ] as const)
    if (!(Number.isInteger(died) && Number.isInteger(all) && died >= 0 && died <= all))
      throw new RangeError('Of each group whole numbers are told: how many died, of how many.');
  if (inside === 0 || allBeside === 0 || dead * allBeside <= deadBeside * inside) return 1;
  const log = (died: number, all: number): number => betaln(1 + died, 1 + all - died);
  return Math.exp(log(dead, inside) + log(deadBeside, allBeside) - log(dead + deadBeside, inside + allBeside));
}
