import { groupedBy } from '../../units/grouped-by';
import { type DayInterval, innermostIntervals, type SeenBetween } from './innermost-intervals';
import { massGradient, type SeenRange } from './mass-gradient';
import { movedByHull } from './moved-by-hull';
import { newtonOnSupport } from './newton-on-support';

export interface SurvivalStep extends DayInterval {
  /** Share that dies in it. */
  mass: number;
  /** Share that lives after it. */
  survivalAfter: number;
}

export interface SurvivalFit {
  steps: SurvivalStep[];
  /** The largest reduced gradient over the number of plants: at most the tolerance at a maximum. */
  gradient: number;
  converged: boolean;
}

const ROUNDS = 4000;

/**
 * When plants die, from visits alone: the nonparametric maximum likelihood estimate (Turnbull). Self-consistency steps
 * and steps along the cumulative distribution in turn, and Newton's on what has mass; done when no reduced gradient is
 * above `tolerance` times the plants.
 * Source: B. W. Turnbull (1976); J. A. Wellner, Y. Zhan, Journal of the American Statistical Association 92 (1997).
 *
 * @param tolerance 1e-6; fits of a bootstrap may stop at 1e-4
 * @throws RangeError for no plants, or one that was dead before it was alive
 * @example turnbull([{ left: 0, right: 21 }, { left: 21, right: null }]).steps[0].survivalAfter // 0.5
 */
export function turnbull(seen: readonly SeenBetween[], tolerance = 1e-6): SurvivalFit {
  if (seen.length === 0) throw new RangeError('No plant was seen.');
  const intervals = innermostIntervals(seen);
  const ranges = seenRanges(seen, intervals);
  let mass = intervals.map(() => 1 / intervals.length);
  let gradient = Infinity;
  for (let round = 0; round < ROUNDS; round++) {
    for (let k = 0; k < 3; k++) mass = selfConsistent(mass, ranges, seen.length);
    mass = movedByHull(mass, ranges);
    if (round % 3 === 2) mass = newtonOnSupport(mass, ranges, seen.length);
    gradient = largestGradient(mass, ranges, seen.length);
    if (gradient <= tolerance) break;
  }
  let left = 1;
  return {
    steps: intervals.map((interval, j) => {
      left -= mass[j]!;
      return { ...interval, mass: mass[j]!, survivalAfter: interval.to === null ? 0 : Math.max(0, left) };
    }),
    gradient,
    converged: gradient <= tolerance,
  };
}

function seenRanges(seen: readonly SeenBetween[], intervals: readonly DayInterval[]): SeenRange[] {
  const froms = intervals.map(({ from }) => from);
  const tos = intervals.map(({ to }) => to ?? Infinity);
  const groups = groupedBy(seen, ({ left, right }) => `${left} ${right ?? ''}`);
  return [...groups.values()].map((same) => {
    const { left, right } = same[0]!;
    return {
      first: firstWhere(froms.length, (j) => froms[j]! >= left),
      last: firstWhere(tos.length, (j) => tos[j]! > (right ?? Infinity)) - 1,
      count: same.length,
    };
  });
}

/** The first index that fulfils what all later ones fulfil too. */
function firstWhere(length: number, holds: (j: number) => boolean): number {
  let [low, high] = [0, length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}

function selfConsistent(mass: readonly number[], ranges: readonly SeenRange[], plants: number): number[] {
  const gradient = massGradient(mass, ranges);
  const next = mass.map((share, j) => (share * gradient[j]!) / plants);
  const sum = next.reduce((total, share) => total + share, 0);
  return next.map((share) => share / sum);
}

function largestGradient(mass: readonly number[], ranges: readonly SeenRange[], plants: number): number {
  return massGradient(mass, ranges).reduce((most, slope) => Math.max(most, slope / plants - 1), -Infinity);
}
