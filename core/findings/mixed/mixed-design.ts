import { dot } from '../../statistics/dot';
import { tens } from '../score/logistic-fit';

/** A union with a known fate, and what it belongs to. */
export interface MixedUnion {
  alive: boolean;
  /** Null where methods are not compared. */
  method: string | null;
  /** 0 to 100; null where scores are not used. */
  score: number | null;
  /** Level of each group by the group's name; null or left out for none. */
  groups: Readonly<Record<string, string | null>>;
}

export interface FixedColumn {
  name: string;
  values: Float64Array;
  /** Standard deviation of the normal penalty that holds its coefficient back; null for none. */
  heldTo: number | null;
}

export interface RandomGroup {
  name: string;
  levels: string[];
  /** Level of each union, -1 for none. */
  levelOf: Int32Array;
}

export interface MixedDesign {
  alive: Uint8Array;
  fixed: FixedColumn[];
  groups: RandomGroup[];
  /** Whether standard deviations have the weak prior of `spreadPrior`. */
  priorOnSpreads: boolean;
  /** What was left out or held back, and why, in sentences. */
  notes: string[];
}

/** Standard deviation of the penalty on a coefficient whose unions all lived or all died. */
export const PENALTY_SPREAD = 3;

/**
 * The model's table: method (first in the alphabet is the baseline), score in tens from 80, groups of two levels as fixed
 * columns where these can be told apart from the others, groups of more as random ones.
 *
 * @throws RangeError for no unions, all alive or all dead, or a score outside 0 to 100
 */
export function mixedDesign(unions: readonly MixedUnion[]): MixedDesign {
  checkUnions(unions);
  const alive = Uint8Array.from(unions, (union) => Number(union.alive));
  const notes: string[] = [];
  const fixed = fixedColumns(unions, alive);
  const groups: RandomGroup[] = [];
  for (const name of groupNames(unions)) {
    const group = groupOf(unions, name);
    if (group.levels.length < 2) notes.push(`${name} has one level only and is left out.`);
    else if (group.levels.length === 2) enterTwo(group, { alive, fixed, notes });
    else {
      const twin = groups.find((other) => sameParts(other, group));
      if (twin) notes.push(`${name} holds the same unions together as ${twin.name}: the two cannot be told apart.`);
      else groups.push(group);
    }
  }
  return { alive, fixed, groups, priorOnSpreads: false, notes: [...notes, ...heldNotes(fixed)] };
}

/** What is said of columns whose unions all lived or all died. */
export function heldNotes(fixed: readonly FixedColumn[]): string[] {
  return fixed.flatMap(({ name, heldTo }) =>
    heldTo === PENALTY_SPREAD
      ? [
          `All unions of ${name === INTERCEPT ? 'the first method' : name} lived or all died: its coefficient is held back by a normal penalty of standard deviation ${PENALTY_SPREAD}.`,
        ]
      : [],
  );
}

export const INTERCEPT = '(Intercept)';

/** @throws RangeError for no unions, all alive or all dead, or a score outside 0 to 100 */
export function checkUnions(unions: readonly { alive: boolean; score: number | null }[]): void {
  const living = unions.filter(({ alive }) => alive).length;
  if (unions.length === 0) throw new RangeError('There is no union with a known fate.');
  if (living === 0 || living === unions.length)
    throw new RangeError(
      `All ${unions.length} unions ${living === 0 ? 'died' : 'lived'}: comparing needs some that lived and some that died.`,
    );
  unions.forEach(({ score }, i) => {
    if (score !== null && !(score >= 0 && score <= 100))
      throw new RangeError(`Row ${i + 1}: a score lies between 0 and 100, not ${score}.`);
  });
}

function fixedColumns(unions: readonly MixedUnion[], alive: Uint8Array): FixedColumn[] {
  const columns = methodColumns(unions, alive);
  const scores = new Set(unions.map(({ score }) => score));
  if (scores.size > 1 && !scores.has(null))
    columns.push({ name: 's', values: Float64Array.from(unions, ({ score }) => tens(score!)), heldTo: null });
  return columns;
}

/** The intercept, and each method against the first in the alphabet. */
export function methodColumns(unions: readonly { method: string | null }[], alive: Uint8Array): FixedColumn[] {
  const methods = [...new Set(unions.flatMap(({ method }) => method ?? []))].sort();
  const columns: FixedColumn[] = [
    {
      name: INTERCEPT,
      values: new Float64Array(unions.length).fill(1),
      heldTo: methods.length > 1 ? heldWhereOneFate(alive, (i) => unions[i]!.method === methods[0]) : null,
    },
  ];
  for (const method of methods.slice(1))
    columns.push({
      name: `method${method}`,
      values: Float64Array.from(unions, (union) => Number(union.method === method)),
      heldTo: heldWhereOneFate(alive, (i) => unions[i]!.method === method),
    });
  return columns;
}

function groupNames(unions: readonly MixedUnion[]): string[] {
  const names = new Set<string>();
  for (const { groups } of unions) for (const name in groups) names.add(name);
  return [...names];
}

export function groupOf(unions: readonly Pick<MixedUnion, 'groups'>[], name: string): RandomGroup {
  const at = new Map<string, number>();
  const levelOf = Int32Array.from(unions, ({ groups }) => {
    const level = groups[name] ?? '';
    if (level === '') return -1;
    const known = at.get(level) ?? at.size;
    at.set(level, known);
    return known;
  });
  return { name, levels: [...at.keys()], levelOf };
}

/** A group of two enters as one fixed column, unless the columns before it already say the same. */
function enterTwo(
  { name, levels, levelOf }: RandomGroup,
  { alive, fixed, notes }: { alive: Uint8Array; fixed: FixedColumn[]; notes: string[] },
): void {
  const second = levels.indexOf([...levels].sort()[1]!);
  const values = Float64Array.from(levelOf, (level) => Number(level === second));
  if (dependsOn(values, fixed)) {
    notes.push(`${name} has two levels that the methods already part: it is left out.`);
    return;
  }
  fixed.push({
    name: `${name}${levels[second]!}`,
    values,
    heldTo:
      heldWhereOneFate(alive, (i) => levelOf[i] === second) ??
      heldWhereOneFate(alive, (i) => levelOf[i] === 1 - second),
  });
}

/** The penalty of a column all of whose unions lived or all died; null where both fates are found. */
export function heldWhereOneFate(alive: Uint8Array, isIn: (i: number) => boolean): number | null {
  return oneFate(alive, isIn) ? PENALTY_SPREAD : null;
}

function oneFate(alive: Uint8Array, isIn: (i: number) => boolean): boolean {
  let [living, all] = [0, 0];
  for (let i = 0; i < alive.length; i++) {
    if (!isIn(i)) continue;
    all++;
    living += alive[i]!;
  }
  return living === 0 || living === all;
}

/** Whether a column is a sum of others: what is left of it once these are taken out is nothing. */
export function dependsOn(values: Float64Array, fixed: readonly Pick<FixedColumn, 'values'>[]): boolean {
  const basis: Float64Array[] = [];
  const rest = (column: Float64Array): Float64Array => {
    const left = Float64Array.from(column);
    for (const other of basis) {
      const share = dot(left, other);
      for (let i = 0; i < left.length; i++) left[i] = left[i]! - share * other[i]!;
    }
    return left;
  };
  const length = (column: Float64Array): number => Math.sqrt(dot(column, column));
  for (const column of fixed) {
    const left = rest(column.values);
    const size = length(left);
    if (size > 1e-8) basis.push(left.map((x) => x / size));
  }
  return length(rest(values)) <= 1e-6 * length(values);
}

function sameParts(a: RandomGroup, b: RandomGroup): boolean {
  if (a.levels.length !== b.levels.length) return false;
  const partner = new Int32Array(a.levels.length).fill(-1);
  return a.levelOf.every((level, i) => {
    const other = b.levelOf[i]!;
    if (level < 0 || other < 0) return level === other;
    if (partner[level]! < 0) partner[level] = other;
    return partner[level] === other;
  });
}
