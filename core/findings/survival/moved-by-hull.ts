import type { SeenRange } from './mass-gradient';

/**
 * A step along the cumulative distribution: towards the isotonic regression of Newton's targets with the diagonal of the
 * curvature, as far as the likelihood rises (iterative convex minorant). It gives mass back to intervals that lost it.
 */
export function movedByHull(mass: readonly number[], ranges: readonly SeenRange[]): number[] {
  const size = mass.length;
  if (size < 2) return [...mass];
  const before = cumulated(mass);
  const slope = new Float64Array(size);
  const curve = new Float64Array(size).fill(1e-12);
  for (const { first, last, count } of ranges) {
    const chance = Math.max(before[last]! - (first === 0 ? 0 : before[first - 1]!), 1e-12);
    slope[last]! += count / chance;
    curve[last]! += count / chance ** 2;
    if (first === 0) continue;
    slope[first - 1]! -= count / chance;
    curve[first - 1]! += count / chance ** 2;
  }
  // The last one is 1 whatever happens.
  const target = isotonic(
    Array.from({ length: size - 1 }, (_, k) => before[k]! + slope[k]! / curve[k]!),
    curve,
  ).map((value) => Math.min(1, Math.max(0, value)));
  const start = likelihood(before, ranges);
  for (let share = 1; share > 1e-4; share /= 2) {
    const moved = Float64Array.from(before, (value, k) => (k === size - 1 ? 1 : value + share * (target[k]! - value)));
    if (likelihood(moved, ranges) > start) return Array.from(moved, (value, k) => value - (moved[k - 1] ?? 0));
  }
  return [...mass];
}

function cumulated(mass: readonly number[]): Float64Array {
  let sum = 0;
  const cumulative = Float64Array.from(mass, (share) => (sum += share));
  cumulative[mass.length - 1] = 1;
  return cumulative;
}

function likelihood(cumulative: Float64Array, ranges: readonly SeenRange[]): number {
  let sum = 0;
  for (const { first, last, count } of ranges) {
    const chance = cumulative[last]! - (first === 0 ? 0 : cumulative[first - 1]!);
    if (!(chance > 0)) return -Infinity;
    sum += count * Math.log(chance);
  }
  return sum;
}

/** Weighted means that never fall. */
function isotonic(values: readonly number[], weights: Float64Array): number[] {
  const pools: { sum: number; weight: number; length: number }[] = [];
  values.forEach((value, k) => {
    let pool = { sum: value * weights[k]!, weight: weights[k]!, length: 1 };
    for (let last = pools.at(-1); last && last.sum / last.weight >= pool.sum / pool.weight; last = pools.at(-1)) {
      pools.pop();
      pool = { sum: last.sum + pool.sum, weight: last.weight + pool.weight, length: last.length + pool.length };
    }
    pools.push(pool);
  });
  return pools.flatMap(({ sum, weight, length }) => new Array<number>(length).fill(sum / weight));
}
