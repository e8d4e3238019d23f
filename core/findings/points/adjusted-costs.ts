import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { holm } from '../../statistics/holm';
import { logistic } from '../../statistics/logistic';
import { Z90 } from '../../statistics/normal-points';
import { type AdjustedUnion, pointTerm } from '../mixed/adjusted-design';
import type { AdjustedFit } from '../mixed/adjusted-model';
import { jointSolver } from '../mixed/joint-inverse';

/** What a point costs, days, hands and methods being as they are. */
export interface PointCost {
  point: string;
  /** Unions that had it poor or fatal. */
  had: number;
  /** Trees in a hundred that would live more, were the point good throughout, with a 90 % interval. */
  perHundred: number;
  low: number;
  high: number;
  /** One-sided chance of such a cost where it costs nothing, after Holm over the points that enough unions had. */
  p: number;
  /** Whether a page may say that it costs trees. */
  named: boolean;
}

/** Fewer poor or fatal ones do not name a point. */
export const NAMED_FROM = 5;
const LEVEL = 0.05;

/**
 * 100 x (mean chance to live with that point good throughout - mean chance as it is), random effects at their modes, with
 * the standard error by the delta method from the joint curvature of fixed and random effects.
 *
 * @param fit of `adjustedDesign(unions, 'points')`
 * @returns one a point that some had poor or fatal, the dearest first
 */
export function adjustedCosts(unions: readonly AdjustedUnion[], fit: AdjustedFit): PointCost[] {
  const { design, laplace, parameters, mode } = fit;
  const { rows } = laplace;
  const { layout } = rows;
  const effects = layout.firstSize + layout.othersSize;
  const solve = jointSolver(rows, mode, parameters);
  const termAt = new Map(design.fixed.map(({ name }, j) => [name, j]));
  const points = [...new Set(unions.flatMap(({ grades }) => Object.keys(grades ?? {})))];
  const costs = points.flatMap((point) => {
    const columns = (['poor', 'fatal'] as const).flatMap((grade) => termAt.get(pointTerm(point, grade)) ?? []);
    if (columns.length === 0) return [];
    // Random effects first, then the fixed ones.
    const slope = new Float64Array(effects + design.fixed.length);
    let [cost, had] = [0, 0];
    for (let i = 0; i < rows.alive.length; i++) {
      const column = columns.find((j) => rows.fixed[j]![i] === 1);
      if (column === undefined) continue;
      had++;
      const chance = mode.chances[i]!;
      const better = logistic(Math.log(chance / (1 - chance)) - parameters[column]!);
      const [weight, betterWeight] = [chance * (1 - chance), better * (1 - better)];
      cost += better - chance;
      rows.fixed.forEach((values, j) => {
        slope[effects + j]! += values[i]! * ((j === column ? 0 : betterWeight) - weight);
      });
      rows.places.forEach((place, k) => {
        if (place[i]! >= 0) slope[place[i]!]! += parameters[design.fixed.length + k]! * (betterWeight - weight);
      });
    }
    const scale = 100 / unions.length;
    const solved = solve(slope);
    const error = scale * Math.sqrt(slope.reduce((sum, x, j) => sum + x * solved[j]!, 0));
    return [{ point, had, perHundred: scale * cost, error }];
  });
  const asked = costs.filter(({ had }) => had >= NAMED_FROM);
  const adjusted = holm(asked.map(({ perHundred, error }) => normalCdf(-perHundred / error, 0, 1)));
  return costs
    .map((cost): PointCost => {
      const p = adjusted[asked.indexOf(cost)] ?? 1;
      const { point, had, perHundred, error } = cost;
      return {
        point,
        had,
        perHundred,
        low: perHundred - Z90 * error,
        high: perHundred + Z90 * error,
        p,
        named: p <= LEVEL && perHundred > 0,
      };
    })
    .sort((a, b) => b.perHundred - a.perHundred);
}
