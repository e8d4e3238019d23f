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
  counts.forEach(({ n, alive }, i) => {
    if (!(Number.isInteger(n) && Number.isInteger(alive) && n >= 0 && alive >= 0 && alive <= n))
      throw new RangeError(`Row ${i + 1}: n and alive are whole numbers, and no more are alive than there were.`);
  });
  const all = counts.reduce((sum, { n }) => sum + n, 0);
  if (all === 0) throw new RangeError('Nothing is known of any row.');
  const centre = counts.reduce((sum, { alive }) => sum + alive, 0) / all;
  const limit = (n: number, chance: number): number => quantile(chance, n, centre) / n;
  return counts.map(({ n, alive }) =>
    n === 0
      ? { rate: null, centre, lower: null, upper: null }
      : { rate: alive / n, centre, lower: limit(n, QUANTILES.lower), upper: limit(n, QUANTILES.upper) },
  );
}

/** Whether a point lies beyond what chance does alone. */
export function beyondChance({ rate, lower, upper }: RunPoint): 'below' | 'above' | null {
  if (rate === null || lower === null || upper === null) return null;
  return rate < lower ? 'below' : rate > upper ? 'above' : null;
}
