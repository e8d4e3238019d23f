/** 97.5 % point of the standard normal distribution. */
const Z = 1.959964;

/**
 * 97.5 % point of Student's t, within 1 % from 3 degrees of freedom on; 1 and 2 are given outright.
 * Source: Abramowitz and Stegun, 26.7.5.
 *
 * @throws RangeError for less than one degree of freedom.
 * @example studentQuantile(10) // 2.228
 */
export function studentQuantile(freedom: number): number {
  if (!(freedom >= 1)) throw new RangeError('Student’s t needs one degree of freedom or more.');
  if (freedom < 2) return 12.706;
  if (freedom < 3) return 4.303;
  const [z, v] = [Z, freedom];
  return (
    z +
    (z ** 3 + z) / (4 * v) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * v ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * v ** 3) +
    (79 * z ** 9 + 776 * z ** 7 + 1482 * z ** 5 - 1920 * z ** 3 - 945 * z) / (92160 * v ** 4)
  );
}
