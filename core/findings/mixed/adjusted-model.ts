import { inverse, Matrix } from 'ml-matrix';
import type { AdjustedDesign } from './adjusted-design';
import { fixedInverse } from './joint-inverse';
import type { Laplace } from './laplace-likelihood';
import { maximumOf } from './mixed-model';
import type { PenalisedMode } from './penalised-mode';

/** A fitted model with the weak prior, with all that its levels and predictions are worked out from. */
export interface AdjustedFit {
  design: AdjustedDesign;
  laplace: Laplace;
  /** Random effects at the maximum. */
  mode: PenalisedMode;
  /** Fixed effects in the design's order, then the standard deviations of `groups`. */
  parameters: Float64Array;
  /** Of the parameters, from half the Hessian of the penalised deviance. */
  covariance: number[][];
  /** Names of the groups, the largest first. */
  groups: string[];
  /** Log likelihood with all penalties. */
  value: number;
  converged: boolean;
}

/** Rise of the penalised log-likelihood that may still be missed; among many unions estimates stay as near. */
const TOLERANCE = 1e-7;
const TOLERANCE_OF_MANY = 1e-4;
/** From so many unions on the curvature of the fixed effects at given spreads is that of their joint mode. */
const MANY = 5000;
/** Step of the differences of slopes, in parts of a standard deviation of a fixed effect or of a spread itself. */
const STEP = 0.003;

/**
 * A mixed logistic model whose standard deviations have a weak prior, so that none is fitted as exactly 0: everything is at
 * the minimum of deviance - 2 x the sum of log priors, and standard errors are from half its Hessian.
 *
 * @param onLook told after each point that was looked at
 * @throws RangeError where no finite fit exists
 */
export function adjustedFit(design: AdjustedDesign, onLook: (looks: number) => void = () => {}): AdjustedFit {
  const many = design.alive.length >= MANY;
  const { laplace, best, groups, look } = maximumOf(design, onLook, many ? TOLERANCE_OF_MANY : TOLERANCE);
  const width = design.fixed.length;
  // The last look may have been a step too far.
  if (laplace.lastAt() !== best.at) laplace.at(best.at);
  const mode = laplace.mode();
  const atGiven = fixedInverse(laplace.rows, mode, best.at);
  const covariance = covarianceAt(look, best, atGiven, many);
  return {
    design,
    laplace,
    mode,
    parameters: best.at,
    covariance: covariance ?? withoutSpreads(atGiven, best.at, width),
    groups: groups.map(({ name }) => name),
    value: best.value,
    converged: best.converged,
  };
}

/** The inverse of half the Hessian, by differences of slopes; null where it is not positive. */
function covarianceAt(
  look: Laplace['at'],
  { at, slope }: { at: Float64Array; slope: Float64Array },
  fixed: readonly (readonly number[])[],
  many: boolean,
): number[][] | null {
  const width = fixed.length;
  const curvature = Matrix.zeros(at.length, at.length);
  if (many) curvature.setSubMatrix(inverse(new Matrix(fixed.map((row) => [...row]))), 0, 0);
  for (let i = many ? width : 0; i < at.length; i++) {
    const step = STEP * (i < width ? Math.min(1, Math.sqrt(fixed[i]![i]!)) : Math.min(at[i]!, 1));
    const [above, below] = [Float64Array.from(at), Float64Array.from(at)];
    above[i] = at[i]! + step;
    below[i] = at[i]! - step;
    const up = look(above).slope;
    // Among many the slope bends so little within a step that one side will do.
    const down = many ? slope : look(below).slope;
    for (let j = 0; j < at.length; j++) {
      const value = (down[j]! - up[j]!) / (many ? step : 2 * step);
      curvature.set(i, j, value);
      if (many && j < width) curvature.set(j, i, value);
    }
  }
  const found = inverse(curvature.add(curvature.transpose()).div(2));
  return found.diagonal().every((x) => x > 0 && Number.isFinite(x)) ? found.to2DArray() : null;
}

/** Fixed effects as at given spreads, and each spread with the prior's own width. */
function withoutSpreads(fixed: readonly (readonly number[])[], at: Float64Array, width: number): number[][] {
  return Array.from(at, (x, i) =>
    Array.from(at, (_, j) => {
      if (i < width && j < width) return fixed[i]![j]!;
      return i === j ? x * x : 0;
    }),
  );
}

/** Estimate and standard error of each fixed effect, and each group's standard deviation. */
export function adjustedTerms({ design, parameters, covariance, groups }: AdjustedFit): {
  fixed: { name: string; estimate: number; standardError: number; penalised: boolean }[];
  spreads: { group: string; spread: number }[];
} {
  const width = design.fixed.length;
  return {
    fixed: design.fixed.map(({ name, heldTo }, j) => ({
      name,
      estimate: parameters[j]!,
      standardError: Math.sqrt(covariance[j]![j]!),
      penalised: heldTo !== null,
    })),
    spreads: groups.map((group, k) => ({ group, spread: parameters[width + k]! })),
  };
}
