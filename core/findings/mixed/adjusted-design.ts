import { tens } from '../score/logistic-fit';
import type { PointGrade } from '../points/points-model';
import {
  checkUnions,
  dependsOn,
  type FixedColumn,
  groupOf,
  heldNotes,
  heldWhereOneFate,
  methodColumns,
  type MixedDesign,
} from './mixed-design';

/** A union with a known fate, and what is weighed of it. */
export interface AdjustedUnion {
  alive: boolean;
  /** Null where methods are not compared. */
  method: string | null;
  /** 0 to 100, and whether a fault was fatal; both are null where scores are not weighed. */
  score: number | null;
  fatal: boolean | null;
  groups: Readonly<Partial<Record<MixedGroup, string | null>>>;
  /** Grades of its points, where these are weighed. */
  grades?: Readonly<Record<string, PointGrade>>;
}

/** What unions are grouped by in a model with a prior. */
export const MIXED_GROUPS = ['wood_lot', 'stock_lot', 'workshop', 'grafter'] as const;
export type MixedGroup = (typeof MIXED_GROUPS)[number];

/** What is weighed beside method and groups. */
export type Weighed = 'score' | 'points' | 'nothing';

export interface AdjustedDesign extends MixedDesign {
  /** Why the slope of the score cannot be told from days or hands; null where it can. */
  slopeUntold: string | null;
}

/**
 * The table of a model with the weak prior: method; where scores are weighed a fatal fault and what ten points mean for the
 * same hand on the same day; where points are, each at poor and at fatal, held back by a ridge; all groups of two levels or
 * more at random.
 *
 * @throws RangeError for no unions, all alive or all dead, or a score outside 0 to 100
 */
export function adjustedDesign(unions: readonly AdjustedUnion[], weighed: Weighed): AdjustedDesign {
  checkUnions(unions);
  const alive = Uint8Array.from(unions, (union) => Number(union.alive));
  const notes: string[] = [];
  const fixed = methodColumns(unions, alive);
  let slopeUntold: string | null = null;
  if (weighed === 'points') fixed.push(...pointColumns(unions));
  if (weighed === 'score') slopeUntold = addScore(fixed, unions, alive, notes);
  const groups = (weighed === 'points' ? (['workshop', 'grafter'] as const) : MIXED_GROUPS).flatMap((name) => {
    const group = groupOf(unions, name);
    if (group.levels.length >= 2) return [group];
    if (group.levels.length === 1) notes.push(`${name} has one level only and is left out.`);
    return [];
  });
  return { alive, fixed, groups, priorOnSpreads: true, notes: [...notes, ...heldNotes(fixed)], slopeUntold };
}

/** Standard deviation of the normal prior of what a point adds: a ridge of 1. */
const POINT_SPREAD = 1;

function pointColumns(unions: readonly AdjustedUnion[]): FixedColumn[] {
  const points = [...new Set(unions.flatMap(({ grades }) => Object.keys(grades ?? {})))];
  return points.flatMap((point) =>
    (['poor', 'fatal'] as const).flatMap((grade) => {
      const values = Float64Array.from(unions, ({ grades }) => Number(grades?.[point] === grade));
      return values.includes(1) ? [{ name: pointTerm(point, grade), values, heldTo: POINT_SPREAD }] : [];
    }),
  );
}

/** What the term of a point at a grade is called. */
export const pointTerm = (point: string, grade: 'poor' | 'fatal'): string => `${point}${grade}`;

/**
 * Adds the columns fatal, s, s_day and s_hand. Those that say nothing beside the ones before are left out; where a mean of
 * the day or of the hand is no other than the score itself, no slope for the same hand on the same day can be told.
 */
function addScore(
  fixed: FixedColumn[],
  unions: readonly AdjustedUnion[],
  alive: Uint8Array,
  notes: string[],
): string | null {
  const fatal = Float64Array.from(unions, (union) => Number(union.fatal === true));
  const s = Float64Array.from(unions, ({ score }, i) => (1 - fatal[i]!) * tens(score!));
  const add = (name: string, values: Float64Array, heldTo: number | null = null): boolean => {
    if (dependsOn(values, fixed)) return false;
    fixed.push({ name, values, heldTo });
    return true;
  };
  if (fatal.includes(1))
    add(
      'fatal',
      fatal,
      heldWhereOneFate(alive, (i) => fatal[i] === 1),
    );
  const before = fixed.length;
  if (!add('s', s)) {
    notes.push('All scores are alike: there is no slope.');
    return 'All scores are alike.';
  }
  let untold: string | null = null;
  for (const [name, group, words] of [
    ['s_day', 'workshop', 'day'],
    ['s_hand', 'grafter', 'hand'],
  ] as const) {
    if (groupOf(unions, group).levels.length === 0) continue;
    const means = meansOf(unions, group, { s, fatal });
    if (add(name, means) || dependsOn(means, fixed.slice(0, before))) continue;
    untold = `Scores of one ${words} do not differ, so what a score means for the same ${words} cannot be told.`;
    notes.push(untold);
  }
  return untold;
}

/** The group's mean of s over its unions without a fatal fault, for these unions; 0 for a fatal one. */
function meansOf(
  unions: readonly AdjustedUnion[],
  group: MixedGroup,
  { s, fatal }: { s: Float64Array; fatal: Float64Array },
): Float64Array {
  const sums = new Map<string, { sum: number; count: number }>();
  // Unions of nobody knows whom are taken together.
  const keyOf = (i: number): string => unions[i]!.groups[group] ?? '';
  unions.forEach((_, i) => {
    if (fatal[i] === 1) return;
    const own = sums.get(keyOf(i)) ?? { sum: 0, count: 0 };
    sums.set(keyOf(i), { sum: own.sum + s[i]!, count: own.count + 1 });
  });
  return Float64Array.from(unions, (_, i) => {
    if (fatal[i] === 1) return 0;
    const { sum, count } = sums.get(keyOf(i))!;
    return sum / count;
  });
}
