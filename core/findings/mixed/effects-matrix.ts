import { factorInPlace, inverseOf, logDeterminant, solveInPlace } from '../../statistics/cholesky';
import type { MixedDesign, RandomGroup } from './mixed-design';

/*
 * The curvature of the random effects, I + L Z'WZ L (L: their standard deviations), with the largest group first. Within
 * one group effects meet nowhere, so that this group's corner is a diagonal and is eliminated; what is left of the others
 * is a dense matrix, small beside it.
 */

/** Where each union's effects stand: the first group's by level, the others' one after the other. */
export interface EffectsLayout {
  /** The design's groups, the largest first. */
  groups: RandomGroup[];
  /** Unions sorted by the first group's level, those of none at the end. */
  order: Int32Array;
  /** Level in the first group of each union in order, -1 for none. */
  first: Int32Array;
  /** Column among the others, of each further group and union in order; -1 for none. */
  columns: Int32Array[];
  firstSize: number;
  othersSize: number;
  /** Columns that meet each level of the first group: from `starts[level]` to `starts[level + 1]`, rising. */
  starts: Int32Array;
  meets: Int32Array;
  /** Where in `meets` each union's column stands, of each further group; -1 for none. */
  slots: Int32Array[];
  /** Each further group with itself and those before it. */
  pairs: ColumnPair[];
}

/** Columns of two further groups that meet in a union: each meeting once, so that sums over unions stay small. */
export interface ColumnPair {
  /** Places of the two groups among the further ones; the first is the later. */
  a: number;
  b: number;
  /** The meeting of each union in order; -1 for none. */
  meeting: Int32Array;
  rows: Int32Array;
  columns: Int32Array;
}

export interface EffectsMatrix {
  layout: EffectsLayout;
  diagonal: Float64Array;
  corner: Float64Array;
  dense: Float64Array;
  logDet: number;
}

export function effectsLayout({ alive, groups: named }: MixedDesign): EffectsLayout {
  const groups = [...named].sort((a, b) => b.levels.length - a.levels.length);
  const levelOf = groups[0]?.levelOf ?? new Int32Array(alive.length).fill(-1);
  const rank = (level: number): number => (level < 0 ? Infinity : level);
  const order = Int32Array.from(alive, (_, i) => i).sort((a, b) => {
    const [x, y] = [rank(levelOf[a]!), rank(levelOf[b]!)];
    return x === y ? a - b : x - y;
  });
  const first = order.map((i) => levelOf[i]!);
  let begin = 0;
  const columns = groups.slice(1).map((group) => {
    const from = begin;
    begin += group.levels.length;
    return order.map((i) => (group.levelOf[i]! < 0 ? -1 : from + group.levelOf[i]!));
  });
  const firstSize = groups[0]?.levels.length ?? 0;
  const pairs = columns.flatMap((_, a) => columns.slice(0, a + 1).map((_other, b) => columnPair(columns, a, b)));
  return { groups, order, first, columns, firstSize, othersSize: begin, ...meetings(first, columns, firstSize), pairs };
}

function columnPair(columns: readonly Int32Array[], a: number, b: number): ColumnPair {
  const at = new Map<number, number>();
  const [rows, cols]: [number[], number[]] = [[], []];
  const other = columns[b]!;
  const meeting = columns[a]!.map((row, i) => {
    const col = other[i]!;
    if (row < 0 || col < 0) return -1;
    const key = row * MOST_COLUMNS + col;
    const known = at.get(key);
    if (known !== undefined) return known;
    at.set(key, rows.length);
    rows.push(row);
    cols.push(col);
    return rows.length - 1;
  });
  return { a, b, meeting, rows: Int32Array.from(rows), columns: Int32Array.from(cols) };
}

const MOST_COLUMNS = 2 ** 20;

function meetings(
  first: Int32Array,
  columns: readonly Int32Array[],
  firstSize: number,
): Pick<EffectsLayout, 'starts' | 'meets' | 'slots'> {
  const met: Set<number>[] = Array.from({ length: firstSize }, () => new Set());
  for (const column of columns) column.forEach((col, i) => col >= 0 && first[i]! >= 0 && met[first[i]!]!.add(col));
  const starts = new Int32Array(firstSize + 1);
  const sorted = met.map((set) => [...set].sort((a, b) => a - b));
  sorted.forEach((list, level) => (starts[level + 1] = starts[level]! + list.length));
  const slots = columns.map((column) => new Int32Array(column.length).fill(-1));
  const at = new Map<number, number>();
  let level = -1;
  first.forEach((own, i) => {
    if (own < 0) return;
    if (own !== level) {
      level = own;
      at.clear();
      sorted[level]!.forEach((col, k) => at.set(col, starts[level]! + k));
    }
    columns.forEach((column, k) => column[i]! >= 0 && (slots[k]![i] = at.get(column[i]!)!));
  });
  return { starts, meets: Int32Array.from(sorted.flat()), slots };
}

/**
 * The matrix, factored.
 *
 * @param weights p (1 - p) of each union in order
 * @param spreads standard deviation of each group
 */
export function effectsMatrix(
  layout: EffectsLayout,
  weights: Float64Array,
  spreads: readonly number[],
): EffectsMatrix | null {
  const { first, firstSize, othersSize: size, meets, slots } = layout;
  const diagonal = new Float64Array(firstSize).fill(1);
  const corner = new Float64Array(meets.length);
  const dense = new Float64Array(size * size);
  for (let j = 0; j < size; j++) dense[j * size + j] = 1;
  const own = spreads[0] ?? 0;
  for (let i = 0; i < first.length; i++) if (first[i]! >= 0) diagonal[first[i]!]! += own * own * weights[i]!;
  slots.forEach((slot, k) => addBySlot(corner, slot, weights, own * spreads[k + 1]!));
  addOthers(dense, size, layout, weights, spreads);
  takeOutFirst(dense, layout, diagonal, corner);
  if (!factorInPlace(dense, size)) return null;
  let logDet = logDeterminant(dense, size, size);
  for (const value of diagonal) logDet += Math.log(value);
  return { layout, diagonal, corner, dense, logDet };
}

/** Adds what unions say of the others with one another to the lower half of a matrix in which they stand first. */
export function addOthers(
  dense: Float64Array,
  size: number,
  { pairs }: EffectsLayout,
  weights: Float64Array,
  spreads: readonly number[],
): void {
  for (const { a, b, meeting, rows, columns } of pairs) {
    const sums = new Float64Array(rows.length);
    addBySlot(sums, meeting, weights, spreads[a + 1]! * spreads[b + 1]!);
    for (let m = 0; m < sums.length; m++) dense[rows[m]! * size + columns[m]!]! += sums[m]!;
  }
}

/** Adds each union's value, scaled, to the sum it belongs to. */
export function addBySlot(sums: Float64Array, slot: Int32Array, values: Float64Array, scale: number): void {
  for (let i = 0; i < slot.length; i++) {
    const at = slot[i]!;
    if (at >= 0) sums[at] = sums[at]! + scale * values[i]!;
  }
}

/** Adds the value of what each union belongs to, scaled, to the union's own. */
export function addFromSlot(own: Float64Array, slot: Int32Array, values: Float64Array, scale: number): void {
  for (let i = 0; i < slot.length; i++) {
    const at = slot[i]!;
    if (at >= 0) own[i] = own[i]! + scale * values[at]!;
  }
}

/** Takes what the first group explains out of the others' part (Schur's complement). */
function takeOutFirst(
  dense: Float64Array,
  { firstSize, othersSize: size, starts, meets }: EffectsLayout,
  diagonal: Float64Array,
  corner: Float64Array,
): void {
  for (let level = 0; level < firstSize; level++) {
    const [from, to] = [starts[level]!, starts[level + 1]!];
    // Two rows at a time, so that what is read serves twice; the first row's last element stands by itself.
    for (let s = from; s < to; s += 2) {
      const two = s + 1 < to;
      const share = corner[s]! / diagonal[level]!;
      const below = two ? corner[s + 1]! / diagonal[level]! : 0;
      const row = meets[s]! * size;
      const next = two ? meets[s + 1]! * size : row;
      for (let t = from; t <= s; t++) {
        const column = meets[t]!;
        const value = corner[t]!;
        dense[row + column] = dense[row + column]! - share * value;
        dense[next + column] = dense[next + column]! - below * value;
      }
      if (two) dense[next + meets[s + 1]!] = dense[next + meets[s + 1]!]! - below * corner[s + 1]!;
    }
  }
}

/** Solves by the matrix, in place: effects of the first group, then of the others. */
export function solveEffects({ layout, diagonal, corner, dense }: EffectsMatrix, effects: Float64Array): void {
  const { firstSize, othersSize, starts, meets } = layout;
  const others = effects.subarray(firstSize);
  for (let level = 0; level < firstSize; level++) {
    const share = effects[level]! / diagonal[level]!;
    for (let s = starts[level]!; s < starts[level + 1]!; s++) others[meets[s]!]! -= corner[s]! * share;
  }
  solveInPlace(dense, othersSize, others);
  for (let level = 0; level < firstSize; level++) {
    let rest = effects[level]!;
    for (let s = starts[level]!; s < starts[level + 1]!; s++) rest -= corner[s]! * others[meets[s]!]!;
    effects[level] = rest / diagonal[level]!;
  }
}

/** Those elements of the inverse that effects of one union have with one another. */
export interface InverseParts {
  /** Between the others, both halves. */
  others: Float64Array;
  /** Between a level of the first group and each column it meets, by slot. */
  met: Float64Array;
  /** Of each level of the first group with itself. */
  first: Float64Array;
}

export function inverseParts({ layout, diagonal, corner, dense }: EffectsMatrix): InverseParts {
  const { firstSize, othersSize: size, starts, meets } = layout;
  const others = inverseOf(dense, size);
  const met = new Float64Array(meets.length);
  const first = new Float64Array(firstSize);
  for (let level = 0; level < firstSize; level++) {
    const [from, to] = [starts[level]!, starts[level + 1]!];
    let own = 1 / diagonal[level]!;
    // Two rows at a time, so that what is read serves twice.
    for (let s = from; s < to; s += 2) {
      const row = meets[s]! * size;
      const next = meets[Math.min(s + 1, to - 1)]! * size;
      let sum = 0.0;
      let below = 0.0;
      for (let t = from; t < to; t++) {
        const column = meets[t]!;
        const value = corner[t]!;
        sum += value * others[row + column]!;
        below += value * others[next + column]!;
      }
      met[s] = sum;
      if (s + 1 < to) met[s + 1] = below;
    }
    for (let s = from; s < to; s++) {
      met[s] = -met[s]! / diagonal[level]!;
      own -= (corner[s]! / diagonal[level]!) * met[s]!;
    }
    first[level] = own;
  }
  return { others, met, first };
}
