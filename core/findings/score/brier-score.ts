/**
 * Brier score: the mean squared difference between the chance foretold and what came (1 alive, 0 dead).
 * Source: G. W. Brier, "Verification of forecasts expressed in terms of probability", Monthly Weather Review 78 (1950).
 *
 * @throws RangeError for no forecasts, or as many outcomes as there are not forecasts
 * @example brierScore([0.8, 0.4], [true, false]) // 0.1
 */
export function brierScore(foretold: readonly number[], alive: readonly boolean[]): number {
  if (foretold.length === 0 || foretold.length !== alive.length)
    throw new RangeError('Each forecast needs an outcome, and there has to be one.');
  return foretold.reduce((sum, chance, i) => sum + (chance - Number(alive[i])) ** 2, 0) / foretold.length;
}
