import { logistic } from '../../statistics/logistic';
import { Z90 } from '../../statistics/normal-points';
import type { JointInverse } from './joint-inverse';
import type { MixedRows } from './mixed-rows';
import type { PenalisedMode } from './penalised-mode';
import type { MixedDesign, RandomGroup } from './mixed-design';

/** What is estimated of one level of a group. */
export interface LevelEffect {
  level: string;
  /** On the log odds, drawn towards 0. */
  estimate: number;
  /** Take of an otherwise average union, with a 90 % interval. */
  take: number;
  low: number;
  high: number;
  alive: number;
  known: number;
}

/** Levels of larger groups are not compared in pairs. */
const COMPARED = 80;

/** A group's levels at some parameters: effects on the log odds, and what is uncertain of them. */
export interface EffectsOfGroup {
  group: string;
  levels: readonly string[];
  estimates: Float64Array;
  /** Variance of the effect by itself, and of an otherwise average union's log odds at the level. */
  own: Float64Array;
  whole: Float64Array;
  /** Rows of the joint inverse, where levels are compared in pairs; else null. */
  rows: Float64Array[] | null;
  from: number;
  spread: number;
}

/**
 * Effects of all levels by the joint curvature of fixed and random effects at some parameters.
 *
 * @returns them by group, and the log odds of an otherwise average union
 */
export function effectsAt(
  design: MixedDesign,
  { layout }: MixedRows,
  { mode, joint, parameters }: { mode: PenalisedMode; joint: JointInverse; parameters: Float64Array },
): { middle: number; groups: EffectsOfGroup[] } {
  const width = design.fixed.length;
  const average = design.fixed.map(({ values }) => values.reduce((sum, x) => sum + x, 0) / values.length);
  const middle = average.reduce((sum, x, j) => sum + x * parameters[j]!, 0);
  let begin = 0;
  const groups = layout.groups.map(({ name, levels }, k): EffectsOfGroup => {
    const spread = parameters[width + k]!;
    const from = begin;
    begin += levels.length;
    const compared = levels.length <= COMPARED;
    const estimates = Float64Array.from(levels, (_, l) => spread * mode.effects[from + l]!);
    const [own, whole] = [new Float64Array(levels.length), new Float64Array(levels.length)];
    const rows = levels.map((_, l) => {
      const row = joint.rowOf(from + l, compared);
      own[l] = Math.max(0, spread * spread * row[from + l]!);
      whole[l] = variance(row, joint, { spread, average, place: from + l });
      return compared ? row : null;
    });
    return {
      group: name,
      levels,
      estimates,
      own,
      whole,
      rows: compared ? (rows as Float64Array[]) : null,
      from,
      spread,
    };
  });
  return { middle, groups };
}

/** Difference of two levels of a group, and its standard deviation. */
export function differenceOf(
  { estimates, rows, from, spread }: EffectsOfGroup & { rows: Float64Array[] },
  a: number,
  b: number,
): { difference: number; error: number } {
  const between = rows[a]![from + a]! + rows[b]![from + b]! - 2 * rows[a]![from + b]!;
  return { difference: estimates[a]! - estimates[b]!, error: Math.abs(spread) * Math.sqrt(Math.max(0, between)) };
}

/** How many of each level's unions lived, of how many. */
export function countsOfLevels(
  { levels, levelOf }: RandomGroup,
  alive: Uint8Array,
): { alive: Int32Array; known: Int32Array } {
  const counts = { alive: new Int32Array(levels.length), known: new Int32Array(levels.length) };
  levelOf.forEach((level, i) => {
    if (level < 0) return;
    counts.known[level]!++;
    counts.alive[level]! += alive[i]!;
  });
  return counts;
}

/** Effects of all levels, and which are told apart, at the maximum. */
export function levelEffects(
  design: MixedDesign,
  rows: MixedRows,
  there: { mode: PenalisedMode; joint: JointInverse; parameters: Float64Array },
): { levels: Record<string, LevelEffect[]>; apart: Record<string, [number, number][]> } {
  const levels: Record<string, LevelEffect[]> = {};
  const apart: Record<string, [number, number][]> = {};
  const { middle, groups } = effectsAt(design, rows, there);
  groups.forEach((group, k) => {
    const { alive, known } = countsOfLevels(rows.layout.groups[k]!, design.alive);
    levels[group.group] = group.levels.map((level, l) => {
      const estimate = group.estimates[l]!;
      const error = Math.sqrt(group.whole[l]!);
      return {
        level,
        estimate,
        take: logistic(middle + estimate),
        low: logistic(middle + estimate - Z90 * error),
        high: logistic(middle + estimate + Z90 * error),
        alive: alive[l]!,
        known: known[l]!,
      };
    });
    apart[group.group] = apartPairs(group);
  });
  return { levels, apart };
}

function variance(
  row: Float64Array,
  joint: JointInverse,
  { spread, average, place }: { spread: number; average: readonly number[]; place: number },
): number {
  let sum = spread * spread * row[place]!;
  average.forEach((x, a) => {
    sum += 2 * spread * x * row[joint.effects + a]!;
    average.forEach((y, b) => (sum += x * y * joint.fixed[a]![b]!));
  });
  return Math.max(0, sum);
}

function apartPairs(group: EffectsOfGroup): [number, number][] {
  const { rows } = group;
  if (!rows) return [];
  const pairs: [number, number][] = [];
  for (let a = 0; a < group.levels.length; a++)
    for (let b = 0; b < a; b++) {
      const { difference, error } = differenceOf({ ...group, rows }, a, b);
      if (Math.abs(difference) > Z90 * error) pairs.push([b, a]);
    }
  return pairs;
}
