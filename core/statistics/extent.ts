/**
 * The least and the greatest of some values, of however many: passed as arguments, a hundred thousand would overflow the
 * stack.
 *
 * @returns least Infinity and greatest -Infinity of none
 * @example extent([3, 1, 2]) // { least: 1, greatest: 3 }
 */
export function extent(values: Iterable<number>): { least: number; greatest: number } {
  let [least, greatest] = [Infinity, -Infinity];
  for (const value of values) {
    if (value < least) least = value;
    if (value > greatest) greatest = value;
  }
  return { least, greatest };
}
