import { Z95 } from '../../statistics/normal-points';
import { studentQuantile } from '../../statistics/student-quantile';

export interface LimitsOfAgreement {
  n: number;
  /** Mean of first less second, and its 95 % interval; the interval is null from a single union. */
  mean: number;
  interval: { from: number; to: number } | null;
  /** Where 95 % of single differences lie: mean -/+ 1.96 standard deviations. */
  limits: { from: number; to: number } | null;
}

/**
 * How far two assessors' scores of the same unions lie apart (Bland and Altman, 1986). Null without
 * a union that both scored.
 *
 * @example limitsOfAgreement([[80, 70], [60, 54], [90, 82]])!.mean // 8
 */
export function limitsOfAgreement(pairs: readonly (readonly [number, number])[]): LimitsOfAgreement | null {
  const n = pairs.length;
  if (n === 0) return null;
  const differences = pairs.map(([a, b]) => a - b);
  const mean = differences.reduce((a, b) => a + b, 0) / n;
  if (n === 1) return { n, mean, interval: null, limits: null };
  const sd = Math.sqrt(differences.reduce((sum, difference) => sum + (difference - mean) ** 2, 0) / (n - 1));
  const half = (studentQuantile(n - 1) * sd) / Math.sqrt(n);
  return {
    n,
    mean,
    interval: { from: mean - half, to: mean + half },
    limits: { from: mean - Z95 * sd, to: mean + Z95 * sd },
  };
}
