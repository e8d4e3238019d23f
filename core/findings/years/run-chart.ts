import quantile from '@stdlib/stats-base-dists-binomial-quantile';

export interface RunCount {
  n: number;
  alive: number;
}

export interface RunPoint {
  /** Null for a day of which nothing is known. */
  rate: number | null;
  centre: number;
  lower: number | null;
  upper: number | null;
}

/** Chance told from a bad year: beyond these, one in 370 lies when nothing changed. */
const QUANTILES = { lower: 0.00135, upper: 0.99865 } as const;

/**
 * A run chart of shares with exact binomial limits: the smallest counts whose cumulative chance is at least 0.00135 and
 * 0.99865, over n; the centre is all alive over all n.
 *
 * @throws RangeError for counts that are none, or nothing known at all
 * @example runChart([{ n: 30, alive: 25 }, { n: 44, alive: 30 }])[0].centre // 0.743
 */
export function runChart(counts: readonly RunCount[]): RunPoint[] {
  checkCounts(counts);
  const all = counts.reduce((sum, { n }) => sum + n, 0);
  const centre = counts.reduce((sum, { alive }) => sum + alive, 0) / all;
  const limit = (n: number, chance: number): number => quantile(chance, n, centre) / n;
  return counts.map(({ n, alive }) =>
    n === 0
      ? { rate: null, centre, lower: null, upper: null }
      : { rate: alive / n, centre, lower: limit(n, QUANTILES.lower), upper: limit(n, QUANTILES.upper) },
  );
}

/** Mean moving range of a normal value over its standard deviation, for ranges of two. */
const RANGE_OF_TWO = 1.128;
const SIGMAS = 3;

/**
 * A run chart of shares with limits of three z-sigma: each point's distance from the centre in its own binomial errors (z)
 * gives, by the mean moving range of z / 1.128, how much workshops differ anyhow; never less than chance alone. For one
 * method, in order of time.
 * Source: D. B. Laney, "Improved control charts for attributes", Quality Engineering 14 (2002).
 *
 * @throws RangeError for counts that are none, or nothing known at all
 */
export function runOfMethod(counts: readonly RunCount[]): RunPoint[] {
  checkCounts(counts);
  const all = counts.reduce((sum, { n }) => sum + n, 0);
  const centre = counts.reduce((sum, { alive }) => sum + alive, 0) / all;
  const errorOf = (n: number): number => Math.sqrt((centre * (1 - centre)) / n);
  const z = counts.flatMap(({ n, alive }) =>
    n === 0 || centre * (1 - centre) === 0 ? [] : (alive / n - centre) / errorOf(n),
  );
  const ranges = z.slice(1).map((value, i) => Math.abs(value - z[i]!));
  const mean = ranges.reduce((sum, range) => sum + range, 0) / Math.max(1, ranges.length);
  const sigma = Math.max(1, mean / RANGE_OF_TWO);
  return counts.map(({ n, alive }) => {
    if (n === 0) return { rate: null, centre, lower: null, upper: null };
    const reach = SIGMAS * sigma * errorOf(n);
    return {
      rate: alive / n,
      centre,
      lower: Math.max(0, centre - reach),
      upper: Math.min(1, centre + reach),
    };
  });
}

function checkCounts(counts: readonly RunCount[]): void {
  counts.forEach(({ n, alive }, i) => {
    if (!(Number.isInteger(n) && Number.isInteger(alive) && n >= 0 && alive >= 0 && alive <= n))
      throw new RangeError(`Row ${i + 1}: n and alive are whole numbers, and no more are alive than there were.`);
  });
  if (counts.every(({ n }) => n === 0)) throw new RangeError('Nothing is known of any row.');
}

/** Fewer workshops than these make no run. */
const RUN_FROM = 3;

/** Whether enough workshops are known to be drawn beside one another. */
export const isRun = (run: readonly RunCount[]): boolean => run.filter(({ n }) => n > 0).length >= RUN_FROM;

/** Whether a point lies beyond what chance does alone. */
export function beyondChance({ rate, lower, upper }: RunPoint): 'below' | 'above' | null {
  if (rate === null || lower === null || upper === null) return null;
  return rate < lower ? 'below' : rate > upper ? 'above' : null;
}
