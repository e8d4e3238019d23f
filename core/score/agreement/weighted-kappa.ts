/**
 * Agreement of two assessors on an ordered grade beyond chance, disagreement weighed by its square
 * (Cohen, Weighted kappa, 1968). Null when it says nothing: no pairs, or both gave one and the same
 * grade throughout, so that chance alone explains it all.
 *
 * @param pairs grades of the same unions by both, 0 to categories - 1.
 * @throws RangeError for a grade outside the categories.
 * @example weightedKappa([[0, 0], [1, 1], [2, 2], [0, 1]], 3) // 0.8
 */
export function weightedKappa(pairs: readonly (readonly [number, number])[], categories: number): number | null {
  const n = pairs.length;
  const first = Array.from({ length: categories }, () => 0);
  const second = Array.from({ length: categories }, () => 0);
  let seen = 0;
  for (const [a, b] of pairs) {
    if (!Number.isInteger(a) || !Number.isInteger(b) || a < 0 || b < 0 || a >= categories || b >= categories)
      throw new RangeError(`A grade is a whole number from 0 to ${categories - 1}.`);
    first[a]!++;
    second[b]!++;
    seen += (a - b) ** 2;
  }
  let byChance = 0;
  for (let a = 0; a < categories; a++)
    for (let b = 0; b < categories; b++) byChance += (first[a]! * second[b]! * (a - b) ** 2) / Math.max(1, n);
  return byChance === 0 ? null : 1 - seen / byChance;
}
