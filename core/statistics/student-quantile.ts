import tQuantile from '@stdlib/stats-base-dists-t-quantile';

/**
 * 97.5 % point of Student's t.
 *
 * @throws RangeError for less than one degree of freedom.
 * @example studentQuantile(10) // 2.228
 */
export function studentQuantile(freedom: number): number {
  if (!(freedom >= 1)) throw new RangeError('Student’s t needs one degree of freedom or more.');
  return tQuantile(0.975, freedom);
}
