/**
 * How many scions to hold back in the cold for a second try: as many as are expected to fail.
 *
 * @param made unions that are made
 * @param take share of them that is expected to live, 0 to 1
 * @throws RangeError for figures that are none
 * @example heldBack(60, 0.9) // 6
 */
export function heldBack(made: number, take: number): number {
  if (!(made >= 0) || !(take >= 0 && take <= 1))
    throw new RangeError('Unions are counted from 0, a take is from 0 to 1.');
  return Math.max(0, Math.ceil(made * (1 - take) - 1e-9));
}
