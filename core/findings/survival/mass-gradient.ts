import { cumulatedMass } from './cumulated-mass';

/** Plants that were seen between the same days, as the innermost intervals they may have died in. */
export interface SeenRange {
  first: number;
  last: number;
  count: number;
}

/** Derivative of the log-likelihood by the mass of each interval. */
export function massGradient(mass: readonly number[], ranges: readonly SeenRange[]): Float64Array {
  const cumulative = cumulatedMass(mass);
  const jumps = new Float64Array(mass.length + 1);
  for (const { first, last, count } of ranges) {
    const share = count / Math.max(cumulative[last + 1]! - cumulative[first]!, 1e-300);
    jumps[first]! += share;
    jumps[last + 1]! -= share;
  }
  const gradient = new Float64Array(mass.length);
  let sum = 0;
  for (let j = 0; j < mass.length; j++) gradient[j] = sum += jumps[j]!;
  return gradient;
}
