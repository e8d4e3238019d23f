import { dot } from './dot';

/** A function's value and slope at a point; a value of -Infinity where it has none. */
export interface ValueAndSlope {
  value: number;
  slope: Float64Array;
}

export interface Maximum extends ValueAndSlope {
  at: Float64Array;
  /** Points that were looked at. */
  looks: number;
  converged: boolean;
}

const LOOKS = 200;

/**
 * The maximum of a smooth function by BFGS with backtracking.
 * Source: J. Nocedal, S. J. Wright, "Numerical Optimization", 2nd ed. (2006), chapter 6.
 *
 * @param start where to begin, as it was looked at already
 * @param guess of the inverse curvature there: as good as it is, as few looks it takes
 * @param longest no step moves a coordinate further
 * @param tolerance done when the rise that is still expected is below it
 */
export function maximised(
  look: (at: Float64Array) => ValueAndSlope,
  start: ValueAndSlope & { at: Float64Array },
  { guess, longest, tolerance }: { guess: readonly (readonly number[])[]; longest: number; tolerance: number },
): Maximum {
  const inverse = guess.map((row) => Float64Array.from(row));
  let at = start.at;
  let here: ValueAndSlope = start;
  let looks = 0;
  while (looks < LOOKS) {
    const move = Float64Array.from(inverse, (row) => dot(row, here.slope));
    const rise = dot(move, here.slope);
    if (rise / 2 < tolerance) return { ...here, at, looks, converged: true };
    let share = Math.min(1, longest / Math.max(...move.map(Math.abs)));
    let next = at;
    let there = here;
    for (; share > 1e-8 && looks < LOOKS; share /= 3) {
      next = Float64Array.from(at, (x, i) => x + share * move[i]!);
      there = look(next);
      looks++;
      if (there.value >= here.value + 1e-4 * share * rise) break;
    }
    if (!(there.value > here.value)) return { ...here, at, looks, converged: rise < 1e-3 };
    update(
      inverse,
      Float64Array.from(next, (x, i) => x - at[i]!),
      Float64Array.from(there.slope, (x, i) => here.slope[i]! - x),
    );
    [at, here] = [next, there];
  }
  return { ...here, at, looks, converged: false };
}

/** BFGS's update of the inverse curvature by a step and how much the slope fell along it. */
function update(inverse: Float64Array[], step: Float64Array, fall: Float64Array): void {
  const along = dot(step, fall);
  if (!(along > 1e-12)) return;
  const pulled = Float64Array.from(inverse, (row) => dot(row, fall));
  const scale = (1 + dot(fall, pulled) / along) / along;
  inverse.forEach((row, i) => {
    for (let j = 0; j < row.length; j++)
      row[j] = row[j]! + scale * step[i]! * step[j]! - (pulled[i]! * step[j]! + step[i]! * pulled[j]!) / along;
  });
}
