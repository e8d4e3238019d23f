import { dot } from '../../statistics/dot';
import type { ValueAndSlope } from '../../statistics/maximised';
import {
  addBySlot,
  addFromSlot,
  type ColumnPair,
  inverseParts,
  type InverseParts,
  solveEffects,
} from './effects-matrix';
import type { MixedDesign } from './mixed-design';
import { mixedRows, type MixedRows } from './mixed-rows';
import { penalisedMode, type PenalisedMode } from './penalised-mode';

export interface Laplace {
  /** Penalised log-likelihood and its slope at fixed effects followed by standard deviations, in the layout's order. */
  at(parameters: Float64Array): ValueAndSlope;
  /** What was found at the last parameters that had a mode. */
  mode(): PenalisedMode;
  /** The parameters of the last look that had a mode. */
  lastAt(): Float64Array | null;
  rows: MixedRows;
}

const PRIOR_RATE = 2;

/**
 * Logarithm of the weak prior of a standard deviation, a gamma of shape 2 and rate 2, up to a constant: none is exactly 0,
 * and few are above 3 on the log odds.
 * Source: Y. Chung et al., "A nondegenerate penalized likelihood estimator for variance parameters", Psychometrika 78 (2013).
 */
export const spreadPrior = (spread: number): number => Math.log(spread) - PRIOR_RATE * spread;

const nowhere = (width: number): ValueAndSlope => ({ value: -Infinity, slope: new Float64Array(width) });

/**
 * Laplace's approximation of a mixed logistic model's log-likelihood, with an analytic slope (third derivatives of the
 * likelihood carry the mode along). The mode of the last parameters is where the next search begins.
 */
export function laplaceLikelihood(design: MixedDesign): Laplace {
  const rows = mixedRows(design);
  const width = rows.fixed.length;
  let mode: PenalisedMode | null = null;
  let last: Float64Array | null = null;
  return {
    rows,
    at(parameters) {
      const spreads = Array.from(parameters.subarray(width));
      if (design.priorOnSpreads && spreads.some((spread) => !(spread > 0))) return nowhere(parameters.length);
      const base = new Float64Array(rows.alive.length);
      rows.fixed.forEach((column, j) => {
        for (let i = 0; i < base.length; i++) base[i] = base[i]! + column[i]! * parameters[j]!;
      });
      const found = penalisedMode(rows, base, spreads, mode);
      if (!found) return nowhere(parameters.length);
      mode = found;
      last = parameters;
      const held = rows.penalty.reduce((sum, weight, j) => sum + (weight * parameters[j]! ** 2) / 2, 0);
      const value = found.logLikelihood - held;
      const slope = slopeAt(rows, parameters, spreads, found);
      if (!design.priorOnSpreads) return { value, slope };
      spreads.forEach((spread, k) => (slope[width + k]! += 1 / spread - PRIOR_RATE));
      return { value: value + spreads.reduce((sum, spread) => sum + spreadPrior(spread), 0), slope };
    },
    mode() {
      if (!mode) throw new RangeError('The model has no finite fit.');
      return mode;
    },
    lastAt: () => last,
  };
}

function slopeAt(
  rows: MixedRows,
  parameters: Float64Array,
  spreads: readonly number[],
  mode: PenalisedMode,
): Float64Array {
  const { fixed, penalty, places, layout } = rows;
  const { rest, weights, effects } = mode;
  const { leverage, own } = leverages(rows, spreads, mode);
  // How the log-determinant moves with each union's log odds, before and after the mode moves along.
  const pull = weights.map((weight, i) => weight * (1 - 2 * mode.chances[i]!) * leverage[i]!);
  const carry = new Float64Array(layout.firstSize + layout.othersSize);
  places.forEach((place, k) => addBySlot(carry, place, pull, spreads[k]!));
  solveEffects(mode.matrix, carry);
  const along = new Float64Array(pull.length);
  places.forEach((place, k) => addFromSlot(along, place, carry, spreads[k]!));
  const left = rest.map((value, i) => value - (pull[i]! - weights[i]! * along[i]!) / 2);
  const slope = new Float64Array(parameters.length);
  fixed.forEach((column, j) => (slope[j] = dot(column, left) - penalty[j]! * parameters[j]!));
  places.forEach((place, k) => {
    let sum = -own[k]!;
    for (let i = 0; i < place.length; i++) {
      const at = place[i]!;
      if (at >= 0) sum += left[i]! * effects[at]! - (carry[at]! * rest[i]!) / 2;
    }
    slope[fixed.length + k] = sum;
  });
  return slope;
}

/**
 * Each union's leverage (its own element of Z L H^-1 L Z', H the curvature), and for each group how the log-determinant
 * moves with its spread, weights staying.
 */
function leverages(
  { layout, places }: MixedRows,
  spreads: readonly number[],
  { matrix, weights }: PenalisedMode,
): { leverage: Float64Array; own: number[] } {
  const parts = inverseParts(matrix);
  // For each group the part of its column of the inverse that each union meets.
  const sums = places.map(() => new Float64Array(weights.length));
  if (places.length > 0) addFromSlot(sums[0]!, layout.first, parts.first, spreads[0]!);
  layout.slots.forEach((slot, k) => {
    addFromSlot(sums[0]!, slot, parts.met, spreads[k + 1]!);
    addFromSlot(sums[k + 1]!, slot, parts.met, spreads[0]!);
  });
  for (const pair of layout.pairs) {
    const values = elementsOf(parts, pair, layout.othersSize);
    addFromSlot(sums[pair.a + 1]!, pair.meeting, values, spreads[pair.b + 1]!);
    if (pair.a !== pair.b) addFromSlot(sums[pair.b + 1]!, pair.meeting, values, spreads[pair.a + 1]!);
  }
  const leverage = new Float64Array(weights.length);
  sums.forEach((sum, k) => {
    for (let i = 0; i < sum.length; i++) leverage[i] = leverage[i]! + spreads[k]! * sum[i]!;
  });
  return { leverage, own: sums.map((sum) => dot(sum, weights)) };
}

function elementsOf({ others }: InverseParts, { rows, columns }: ColumnPair, size: number): Float64Array {
  return Float64Array.from(rows, (row, m) => others[row * size + columns[m]!]!);
}
