import { extent } from '../../statistics/extent';
import { factorInPlace, solveInPlace } from '../../statistics/cholesky';
import { cumulatedMass } from './cumulated-mass';
import { massGradient, type SeenRange } from './mass-gradient';

/** Mass below it is none. */
const NO_MASS = 1e-10;
/** With more intervals than these, steps along the distribution are cheaper. */
const MOST = 600;
const STEPS = 12;

/**
 * Newton's steps on the intervals that have mass, on the log-likelihood less plants times all mass (whose maximum has a
 * mass of 1 in all); an interval that would fall below none is taken out.
 */
export function newtonOnSupport(mass: readonly number[], ranges: readonly SeenRange[], plants: number): number[] {
  let current = [...mass];
  for (let step = 0; step < STEPS; step++) {
    const support = current.flatMap((share, j) => (share > NO_MASS ? j : []));
    if (support.length > MOST || support.length < 2) return current;
    const move = newtonMove(current, support, ranges, plants);
    if (!move) return current;
    const next = along(current, support, move, ranges, plants);
    if (!next) return current;
    const moved = extent(next.map((share, j) => Math.abs(share - current[j]!))).greatest;
    current = next;
    if (moved < 1e-13) break;
  }
  return current;
}

function newtonMove(
  mass: readonly number[],
  support: readonly number[],
  ranges: readonly SeenRange[],
  plants: number,
): Float64Array | null {
  const size = support.length;
  const at = new Map(support.map((j, k) => [j, k]));
  const cumulative = cumulatedMass(mass);
  // First support index from each interval on.
  const from = new Int32Array(mass.length + 1).fill(size);
  for (let j = mass.length - 1; j >= 0; j--) from[j] = at.get(j) ?? from[j + 1]!;
  // Corners of the rectangles that each range adds to the curvature.
  const corners = new Float64Array((size + 1) * (size + 1));
  for (const { first, last, count } of ranges) {
    const chance = Math.max(cumulative[last + 1]! - cumulative[first]!, 1e-300);
    const [a, b] = [from[first]!, from[last + 1]!];
    if (a === b) continue;
    const weight = count / chance ** 2;
    corners[a * (size + 1) + a]! += weight;
    corners[a * (size + 1) + b]! -= weight;
    corners[b * (size + 1) + a]! -= weight;
    corners[b * (size + 1) + b]! += weight;
  }
  const curve = new Float64Array(size * size);
  for (let i = 0; i < size; i++) {
    let along = 0;
    for (let k = 0; k < size; k++) {
      along += corners[i * (size + 1) + k]!;
      curve[i * size + k] = along + (i > 0 ? curve[(i - 1) * size + k]! : 0);
    }
  }
  const gradient = massGradient(mass, ranges);
  const move = Float64Array.from(support, (j) => gradient[j]! - plants);
  for (let i = 0; i < size; i++) curve[i * size + i] = curve[i * size + i]! * (1 + 1e-9) + 1e-9;
  if (!factorInPlace(curve, size)) return null;
  solveInPlace(curve, size, move);
  return move;
}

/** The mass after as much of the move as raises the likelihood; null where none does. */
function along(
  mass: readonly number[],
  support: readonly number[],
  move: Float64Array,
  ranges: readonly SeenRange[],
  plants: number,
): number[] | null {
  const start = value(mass, ranges, plants);
  for (let share = 1; share > 1e-3; share /= 2) {
    const next = [...mass];
    support.forEach((j, k) => (next[j] = Math.max(0, mass[j]! + share * move[k]!)));
    const total = next.reduce((sum, part) => sum + part, 0);
    const scaled = next.map((part) => part / total);
    if (value(scaled, ranges, plants) > start) return scaled;
  }
  return null;
}

function value(mass: readonly number[], ranges: readonly SeenRange[], plants: number): number {
  const cumulative = cumulatedMass(mass);
  let sum = -plants * cumulative[mass.length]!;
  for (const { first, last, count } of ranges) {
    const chance = cumulative[last + 1]! - cumulative[first]!;
    if (!(chance > 0)) return -Infinity;
    sum += count * Math.log(chance);
  }
  return sum;
}
