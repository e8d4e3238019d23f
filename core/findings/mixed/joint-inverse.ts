import { factorInPlace, inverseOf, solveInPlace } from '../../statistics/cholesky';
import { addBySlot, addOthers, type EffectsLayout } from './effects-matrix';
import type { MixedRows } from './mixed-rows';
import type { PenalisedMode } from './penalised-mode';

export interface JointInverse {
  /** A random effect's row of the inverse: with all random effects (or itself among the first group's), then the fixed ones. */
  rowOf(place: number, whole: boolean): Float64Array;
  /** Of the fixed effects with each other. */
  fixed: number[][];
  effects: number;
}

/** The inverse of the curvature of fixed and random effects together; the first group is eliminated as in its matrix. */
export function jointInverse(rows: MixedRows, mode: PenalisedMode, parameters: Float64Array): JointInverse {
  const { layout, fixed } = rows;
  const { firstSize, othersSize } = layout;
  const { factor, size, entriesOf } = jointFactor(rows, mode, parameters);
  const inverse = inverseOf(factor, size);
  const parts = { layout, diagonal: mode.matrix.diagonal, inverse, size, entriesOf };
  return {
    effects: firstSize + othersSize,
    fixed: fixed.map((_, a) => fixed.map((_other, b) => inverse[(othersSize + a) * size + othersSize + b]!)),
    rowOf: (place, whole) => rowOfInverse(place, whole, parts),
  };
}

/** Solves by the joint curvature: random effects, in units of their standard deviations, then the fixed ones. */
export function jointSolver(
  rows: MixedRows,
  mode: PenalisedMode,
  parameters: Float64Array,
): (right: Float64Array) => Float64Array {
  const { firstSize } = rows.layout;
  const { factor, size, entriesOf } = jointFactor(rows, mode, parameters);
  const { diagonal } = mode.matrix;
  return (right) => {
    const solved = Float64Array.from(right);
    const dense = solved.subarray(firstSize);
    for (let level = 0; level < firstSize; level++) {
      const { columns, values } = entriesOf(level);
      const share = solved[level]! / diagonal[level]!;
      columns.forEach((column, s) => (dense[column] = dense[column]! - values[s]! * share));
    }
    solveInPlace(factor, size, dense);
    for (let level = 0; level < firstSize; level++) {
      const { columns, values } = entriesOf(level);
      let rest = solved[level]!;
      columns.forEach((column, s) => (rest -= values[s]! * dense[column]!));
      solved[level] = rest / diagonal[level]!;
    }
    return solved;
  };
}

/** The fixed effects' part of the joint inverse alone: they stand last, so that the end of the factor says it. */
export function fixedInverse(rows: MixedRows, mode: PenalisedMode, parameters: Float64Array): number[][] {
  const { factor, size } = jointFactor(rows, mode, parameters);
  const { othersSize } = rows.layout;
  const width = size - othersSize;
  const last = new Float64Array(width * width);
  for (let a = 0; a < width; a++)
    for (let b = 0; b <= a; b++) last[a * width + b] = factor[(othersSize + a) * size + othersSize + b]!;
  const inverse = inverseOf(last, width);
  return Array.from({ length: width }, (_, a) => Array.from(inverse.subarray(a * width, (a + 1) * width)));
}

interface JointFactor {
  /** Of the others and the fixed effects, once the first group is taken out. */
  factor: Float64Array;
  size: number;
  entriesOf: (level: number) => Entries;
}

function jointFactor(rows: MixedRows, mode: PenalisedMode, parameters: Float64Array): JointFactor {
  const { layout, fixed } = rows;
  const { firstSize, othersSize, starts, meets } = layout;
  const width = fixed.length;
  const size = othersSize + width;
  const { dense, border } = jointCurvature(rows, mode, Array.from(parameters.subarray(width)));
  const entriesOf = (level: number): Entries => {
    const [from, to] = [starts[level]!, starts[level + 1]!];
    const columns = new Int32Array(to - from + width);
    const values = new Float64Array(columns.length);
    columns.set(meets.subarray(from, to));
    values.set(mode.matrix.corner.subarray(from, to));
    for (let a = 0; a < width; a++) columns[to - from + a] = othersSize + a;
    values.set(border.subarray(level * width, (level + 1) * width), to - from);
    return { columns, values };
  };
  for (let level = 0; level < firstSize; level++) {
    const { columns, values } = entriesOf(level);
    for (let s = 0; s < columns.length; s++) {
      const share = values[s]! / mode.matrix.diagonal[level]!;
      const row = columns[s]! * size;
      for (let t = 0; t <= s; t++) {
        const at = row + columns[t]!;
        dense[at] = dense[at]! - share * values[t]!;
      }
    }
  }
  if (!factorInPlace(dense, size)) throw new RangeError('The columns cannot be told apart: no finite fit exists.');
  return { factor: dense, size, entriesOf };
}

/** Columns among the others and the fixed effects that a level of the first group meets, with their curvature. */
interface Entries {
  columns: Int32Array;
  values: Float64Array;
}

/** The curvature of the others and the fixed effects, lower half, and of the first group with the fixed ones. */
function jointCurvature(
  { layout, fixed, penalty }: MixedRows,
  { weights }: PenalisedMode,
  spreads: readonly number[],
): { dense: Float64Array; border: Float64Array } {
  const { first, columns, firstSize, othersSize } = layout;
  const width = fixed.length;
  const size = othersSize + width;
  const dense = new Float64Array(size * size);
  const border = new Float64Array(firstSize * width);
  for (let j = 0; j < othersSize; j++) dense[j * size + j] = 1;
  addOthers(dense, size, layout, weights, spreads);
  fixed.forEach((x, a) => {
    const weighted = x.map((value, i) => value * weights[i]!);
    const row = (othersSize + a) * size;
    columns.forEach((column, k) => addBySlot(dense.subarray(row, row + othersSize), column, weighted, spreads[k + 1]!));
    const own = new Float64Array(firstSize);
    addBySlot(own, first, weighted, spreads[0] ?? 0);
    own.forEach((value, level) => (border[level * width + a] = value));
    for (let b = 0; b <= a; b++) {
      const other = fixed[b]!;
      dense[row + othersSize + b] = weighted.reduce(
        (sum, value, i) => sum + value * other[i]!,
        a === b ? penalty[a]! : 0,
      );
    }
  });
  return { dense, border };
}

interface Eliminated {
  layout: EffectsLayout;
  diagonal: Float64Array;
  inverse: Float64Array;
  size: number;
  entriesOf: (level: number) => Entries;
}

/** A row of the joint inverse. Where not the whole of it is asked for, it holds what meets its own level and no more. */
function rowOfInverse(
  place: number,
  whole: boolean,
  { layout: { firstSize }, diagonal, inverse, size, entriesOf }: Eliminated,
): Float64Array {
  const row = new Float64Array(firstSize + size);
  const dense = row.subarray(firstSize);
  if (place >= firstSize) dense.set(inverse.subarray((place - firstSize) * size, (place - firstSize + 1) * size));
  else {
    const { columns, values } = entriesOf(place);
    const asked = whole ? Int32Array.from(dense.keys()) : columns;
    for (const j of asked) {
      let sum = 0;
      for (let s = 0; s < columns.length; s++) sum += values[s]! * inverse[j * size + columns[s]!]!;
      dense[j] = -sum / diagonal[place]!;
    }
  }
  const [from, to] = whole ? [0, firstSize] : [place, Math.min(place + 1, firstSize)];
  for (let level = from; level < to; level++) {
    const { columns, values } = entriesOf(level);
    let sum = level === place ? 1 : 0;
    for (let s = 0; s < columns.length; s++) sum -= values[s]! * dense[columns[s]!]!;
    row[level] = sum / diagonal[level]!;
  }
  return row;
}
