import { logistic } from '../../statistics/logistic';
import { Z90 } from '../../statistics/normal-points';
import type { JointInverse } from './joint-inverse';
import type { MixedRows } from './mixed-rows';
import type { PenalisedMode } from './penalised-mode';
import type { MixedDesign } from './mixed-design';

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

/** Effects of all levels, and which are told apart, by the joint curvature of fixed and random effects at the maximum. */
export function levelEffects(
  design: MixedDesign,
  rows: MixedRows,
  { mode, joint, parameters }: { mode: PenalisedMode; joint: JointInverse; parameters: Float64Array },
): { levels: Record<string, LevelEffect[]>; apart: Record<string, [number, number][]> } {
  const { layout } = rows;
  const { effects } = mode;
  const width = design.fixed.length;
  const average = design.fixed.map(({ values }) => values.reduce((sum, x) => sum + x, 0) / values.length);
  const middle = average.reduce((sum, x, j) => sum + x * parameters[j]!, 0);
  const levels: Record<string, LevelEffect[]> = {};
  const apart: Record<string, [number, number][]> = {};
  let begin = 0;
  layout.groups.forEach(({ name, levels: named, levelOf }, k) => {
    const spread = parameters[width + k]!;
    const from = begin;
    begin += named.length;
    const alive = new Int32Array(named.length);
    const known = new Int32Array(named.length);
    levelOf.forEach((level, i) => {
      if (level < 0) return;
      known[level]!++;
      alive[level]! += design.alive[i]!;
    });
    const compared = named.length <= COMPARED;
    const inverseRows = named.map((_, l) => joint.rowOf(from + l, compared));
    levels[name] = named.map((level, l) => {
      const estimate = spread * effects[from + l]!;
      const error = Math.sqrt(variance(inverseRows[l]!, joint, { spread, average, place: from + l }));
      const [low, high] = [middle + estimate - Z90 * error, middle + estimate + Z90 * error];
      return {
        level,
        estimate,
        take: logistic(middle + estimate),
        low: logistic(low),
        high: logistic(high),
        alive: alive[l]!,
        known: known[l]!,
      };
    });
    apart[name] = compared ? apartPairs(levels[name], inverseRows, { from, spread }) : [];
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

function apartPairs(
  levels: readonly LevelEffect[],
  rows: readonly Float64Array[],
  { from, spread }: { from: number; spread: number },
): [number, number][] {
  const pairs: [number, number][] = [];
  for (let a = 0; a < levels.length; a++)
    for (let b = 0; b < a; b++) {
      const between = rows[a]![from + a]! + rows[b]![from + b]! - 2 * rows[a]![from + b]!;
      const error = Math.abs(spread) * Math.sqrt(Math.max(0, between));
      if (Math.abs(levels[a]!.estimate - levels[b]!.estimate) > Z90 * error) pairs.push([b, a]);
    }
  return pairs;
}
