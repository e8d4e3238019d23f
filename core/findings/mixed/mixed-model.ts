import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix';
import { logisticRegression } from '../../statistics/logistic-regression';
import { type Maximum, maximised, type ValueAndSlope } from '../../statistics/maximised';
import { type Laplace, laplaceLikelihood } from './laplace-likelihood';
import { type MixedDesign, mixedDesign, type MixedUnion, type RandomGroup } from './mixed-design';
import { fixedInverse, jointInverse } from './joint-inverse';
import { type LevelEffect, levelEffects } from './level-effects';

export interface MixedFit {
  /** Coefficients on the log odds, with standard errors. */
  fixed: { name: string; estimate: number; standardError: number; penalised: boolean }[];
  /** Standard deviation of each group. */
  spreads: { group: string; spread: number }[];
  levels: Record<string, LevelEffect[]>;
  /** Pairs of levels, by their places in `levels`, whose difference's 90 % interval does not hold 0. */
  apart: Record<string, [number, number][]>;
  logLikelihood: number;
  /** What was left out or held back, and why. */
  notes: string[];
  unions: number;
  converged: boolean;
}

const FIRST_SPREAD = 0.5;
/** Unions that the first guess is made from. */
const START_UNIONS = 4000;
const LONGEST_STEP = 0.4;
/** Rise of the log-likelihood that may still be missed: estimates are then within a seventieth of their errors. */
const TOLERANCE = 1e-4;
const STEP = 1e-3;
/** A spread nearer to zero than this lies on the border: it has no curvature of its own to speak of. */
const ON_BORDER = 0.01;

/**
 * A mixed logistic model: logit P(alive) = method + slope x (score - 80)/10 + random intercepts of crossed groups, each
 * normal with its own standard deviation, fitted by Laplace approximation. Fixed effects and standard deviations together
 * maximise it; standard errors are from the Hessian there.
 * Source: D. Bates et al., "Fitting linear mixed-effects models", Journal of Statistical Software 67 (2015); N. E. Breslow,
 * D. G. Clayton, Journal of the American Statistical Association 88 (1993).
 *
 * @param onLook told after each point that was looked at
 * @throws RangeError for no unions, all alive or all dead, or a score outside 0 to 100
 */
export function mixedModel(unions: readonly MixedUnion[], onLook: (looks: number) => void = () => {}): MixedFit {
  return fitOf(mixedDesign(unions), onLook);
}

/** The largest Laplace likelihood of a design, and what it was found with. */
export function maximumOf(
  design: MixedDesign,
  onLook: (looks: number) => void,
  tolerance: number,
): { laplace: Laplace; best: Maximum; groups: RandomGroup[]; look: Laplace['at'] } {
  const laplace = laplaceLikelihood(design);
  const groups = laplace.rows.layout.groups;
  let looks = 0;
  const look = (at: Float64Array): ValueAndSlope => {
    onLook(++looks);
    return laplace.at(at);
  };
  const start = startOf(design, groups.length);
  const first = look(start);
  const covariance = fixedInverse(laplace.rows, laplace.mode(), start);
  const best = maximised(
    look,
    { at: start, ...first },
    { guess: firstGuess(covariance, groups), longest: LONGEST_STEP, tolerance },
  );
  return { laplace, best, groups, look };
}

function fitOf(design: MixedDesign, onLook: (looks: number) => void): MixedFit {
  const { laplace, best, groups, look } = maximumOf(design, onLook, TOLERANCE);
  const width = design.fixed.length;
  // The last look may have been a step too far.
  if (laplace.mode().logLikelihood < best.value) laplace.at(best.at);
  const mode = laplace.mode();
  const spreads = groups.map(({ name }, k) => ({ group: name, spread: Math.abs(best.at[width + k]!) }));
  const there = jointInverse(laplace.rows, mode, best.at);
  const { levels, apart } = levelEffects(design, laplace.rows, { mode, joint: there, parameters: best.at });
  const errors = standardErrors(there.fixed, spreadSlopes(look, best.at, best.slope, width));
  return {
    fixed: design.fixed.map(({ name, heldTo }, j) => ({
      name,
      estimate: best.at[j]!,
      standardError: errors[j]!,
      penalised: heldTo !== null,
    })),
    spreads,
    levels,
    apart,
    logLikelihood: mode.logLikelihood,
    notes: design.notes,
    unions: design.alive.length,
    converged: best.converged,
  };
}

/** Coefficients of a plain logistic regression of some of the unions, and a middling spread of each group. */
function startOf({ alive, fixed }: MixedDesign, groups: number): Float64Array {
  const every = Math.ceil(alive.length / START_UNIONS);
  const some = Array.from({ length: Math.floor(alive.length / every) }, (_, i) => i * every);
  const { coefficients } = logisticRegression(
    some.map((i) => fixed.map(({ values }) => values[i]!)),
    some.map((i) => alive[i]!),
    // Held back a little, so that a column all of one fate has a start too.
    fixed.map(() => 0.1),
  );
  return Float64Array.from([...coefficients, ...new Array<number>(groups).fill(FIRST_SPREAD)]);
}

/** The inverse curvature at the start: of fixed effects as at given spreads, of a spread as if its effects were seen. */
function firstGuess(
  fixed: readonly (readonly number[])[],
  groups: readonly { levels: readonly string[] }[],
): number[][] {
  const width = fixed.length;
  return Array.from({ length: width + groups.length }, (_, i) =>
    Array.from({ length: width + groups.length }, (_other, j) => {
      if (i < width && j < width) return fixed[i]![j]!;
      return i === j ? FIRST_SPREAD ** 2 / (1.4 * groups[i - width]!.levels.length) : 0;
    }),
  );
}

interface SpreadSlopes {
  /** Minus the second derivatives by each spread off the border and all parameters that have a curvature. */
  rows: number[][];
  /** Places of these parameters: fixed ones first. */
  width: number;
}

/** Second derivatives by the spreads, from slopes beside the maximum; a spread on the border has none to speak of. */
function spreadSlopes(look: Laplace['at'], at: Float64Array, slope: Float64Array, width: number): SpreadSlopes {
  const kept = Array.from(at, (_, i) => i).filter((i) => i < width || Math.abs(at[i]!) > ON_BORDER);
  const rows = kept
    .filter((i) => i >= width)
    .map((i) => {
      const beside = Float64Array.from(at);
      beside[i] = beside[i]! + STEP;
      const there = look(beside).slope;
      return kept.map((j) => (slope[j]! - there[j]!) / STEP);
    });
  return { rows, width };
}

/**
 * Standard errors of the fixed effects from the whole curvature: their own, at given spreads, is that of the joint mode;
 * what the spreads' uncertainty adds comes through the mixed derivatives. A spread so near the border that its curvature
 * is none adds nothing.
 */
function standardErrors(fixedCovariance: readonly number[][], { rows, width }: SpreadSlopes): number[] {
  const own = inverse(new Matrix(fixedCovariance.map((row) => [...row])));
  // With all spreads; else without the one whose curvature is least, and so on.
  let kept = rows.map((_, k) => k);
  for (;;) {
    const whole = wholeCurvature(own, rows, kept, width);
    const factor = new CholeskyDecomposition(whole);
    if (factor.isPositiveDefinite())
      return factor
        .solve(Matrix.eye(width + kept.length))
        .diagonal()
        .slice(0, width)
        .map(Math.sqrt);
    if (kept.length === 0) throw new RangeError('The model has no finite fit.');
    const least = kept.reduce((a, b) => (rows[b]![width + b]! < rows[a]![width + a]! ? b : a));
    kept = kept.filter((k) => k !== least);
  }
}

function wholeCurvature(own: Matrix, rows: readonly number[][], kept: readonly number[], width: number): Matrix {
  const whole = Matrix.zeros(width + kept.length, width + kept.length);
  for (let i = 0; i < width; i++) for (let j = 0; j < width; j++) whole.set(i, j, (own.get(i, j) + own.get(j, i)) / 2);
  kept.forEach((k, at) => {
    const row = rows[k]!;
    for (let j = 0; j < width; j++) {
      whole.set(width + at, j, row[j]!);
      whole.set(j, width + at, row[j]!);
    }
    kept.forEach((other, to) =>
      whole.set(width + at, width + to, (row[width + other]! + rows[other]![width + k]!) / 2),
    );
  });
  return whole;
}
