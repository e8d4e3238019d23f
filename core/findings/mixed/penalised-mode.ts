import { dot } from '../../statistics/dot';
import { addBySlot, addFromSlot, effectsMatrix, type EffectsMatrix, solveEffects } from './effects-matrix';
import type { MixedRows } from './mixed-rows';

/** Random effects at their penalised mode, in units of their standard deviations, and what belongs to it. */
export interface PenalisedMode {
  effects: Float64Array;
  spreads: readonly number[];
  /** The curvature there. */
  matrix: EffectsMatrix;
  /** p (1 - p), and what is left of each union's outcome, in the layout's order. */
  weights: Float64Array;
  rest: Float64Array;
  chances: Float64Array;
  /** Laplace's log-likelihood. */
  logLikelihood: number;
}

const STEPS = 60;
const TOLERANCE = 1e-8;
/** A factor serves while each step leaves less than this share of the rise that was expected. */
const GETS_ON = 0.1;

/**
 * The effects at which the log-likelihood less half the squared effects is largest, by Newton's steps. The curvature of an
 * earlier mode serves for the first steps, since spreads move little from look to look.
 *
 * @param base log odds without random effects
 * @param before the mode to begin from; null for none
 * @returns null where there is no finite one
 */
export function penalisedMode(
  rows: MixedRows,
  base: Float64Array,
  spreads: readonly number[],
  before: PenalisedMode | null,
): PenalisedMode | null {
  const { layout, alive, places } = rows;
  let here = lookAt(rows, base, spreads, startOf(rows, spreads, before));
  let matrix = before?.matrix ?? null;
  let expected = Infinity;
  for (let step = 0; step < STEPS; step++) {
    matrix ??= effectsMatrix(layout, here.weights, spreads);
    if (!matrix) return null;
    const move = here.effects.map((effect) => -effect);
    const rest = restOf(alive, here.chances);
    places.forEach((place, k) => addBySlot(move, place, rest, spreads[k]!));
    const slope = Float64Array.from(move);
    solveEffects(matrix, move);
    const rise = dot(move, slope);
    if (rise < TOLERANCE) break;
    let next = here;
    for (let share = 1; share > 1e-6; share /= 2) {
      const moved = here.effects.map((effect, j) => effect + share * move[j]!);
      next = lookAt(rows, base, spreads, moved);
      if (next.value >= here.value - 1e-12 * Math.abs(here.value)) break;
    }
    here = next;
    if (rise > GETS_ON * expected) matrix = null;
    expected = rise;
  }
  const { effects, weights, chances, value } = here;
  const last = effectsMatrix(layout, weights, spreads);
  if (!last || !Number.isFinite(value)) return null;
  return {
    effects,
    spreads,
    matrix: last,
    weights,
    chances,
    rest: restOf(alive, chances),
    logLikelihood: value - last.logDet / 2,
  };
}

/** The effects of the mode before, as they were on the log odds. */
function startOf({ layout }: MixedRows, spreads: readonly number[], before: PenalisedMode | null): Float64Array {
  const start = new Float64Array(layout.firstSize + layout.othersSize);
  if (!before) return start;
  let at = 0;
  layout.groups.forEach(({ levels }, k) => {
    const ratio = before.spreads[k]! / spreads[k]!;
    // Next to no spread, effects are none in either unit.
    const scale = ratio > 0 && ratio < 4 ? ratio : 1;
    for (let level = 0; level < levels.length; level++, at++) start[at] = before.effects[at]! * scale;
  });
  return start;
}

interface Look {
  effects: Float64Array;
  chances: Float64Array;
  weights: Float64Array;
  value: number;
}

function lookAt(
  { alive, places }: MixedRows,
  base: Float64Array,
  spreads: readonly number[],
  effects: Float64Array,
): Look {
  const odds = Float64Array.from(base);
  places.forEach((place, k) => addFromSlot(odds, place, effects, spreads[k]!));
  const chances = new Float64Array(odds.length);
  const weights = new Float64Array(odds.length);
  let value = -dot(effects, effects) / 2;
  for (let i = 0; i < odds.length; i++) {
    const eta = odds[i]!;
    const e = Math.exp(-Math.abs(eta));
    const p = eta > 0 ? 1 / (1 + e) : e / (1 + e);
    chances[i] = p;
    weights[i] = p * (1 - p);
    value += alive[i]! * eta - Math.max(eta, 0) - Math.log(1 + e);
  }
  return { effects, chances, weights, value };
}

function restOf(alive: Float64Array, chances: Float64Array): Float64Array {
  const rest = new Float64Array(alive.length);
  for (let i = 0; i < rest.length; i++) rest[i] = alive[i]! - chances[i]!;
  return rest;
}
