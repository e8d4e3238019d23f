import { seededRandom } from '../../chance/seeded-random';
import { logistic } from '../../statistics/logistic';
import { quantile } from '../../statistics/quantile';
import { type JudgedFate, type PointsModel, pointsModel } from './points-model';

export interface PointCost {
  point: string;
  /** Keepers that had it poor or fatal. */
  had: number;
  /** Trees in a hundred keepers that would live more, were the point good throughout. */
  perHundred: number;
  /** 90 % of the bootstrap's fits lie in it; null where none was drawn. */
  low: number | null;
  high: number | null;
}

/**
 * What each point costs: 100 x (mean take foretold with that point good throughout, less mean take foretold as it is).
 *
 * @returns one a point that somebody had poor or fatal, dearest first
 */
export function pointCosts(known: readonly JudgedFate[], model: PointsModel): Omit<PointCost, 'low' | 'high'>[] {
  const effectOf = new Map(model.effects.map(({ point, grade, estimate }) => [`${point} ${grade}`, estimate]));
  const saved = new Map(model.effects.map(({ point }) => [point, { had: 0, trees: 0 }]));
  for (const { grades } of known) {
    // A point that is good already saves nothing.
    const faults = Object.entries(grades).filter(([, grade]) => grade !== 'good');
    const odds = faults.reduce((sum, [point, grade]) => sum + effectOf.get(`${point} ${grade}`)!, model.intercept);
    for (const [point, grade] of faults) {
      const own = saved.get(point)!;
      own.had++;
      own.trees += logistic(odds - effectOf.get(`${point} ${grade}`)!) - logistic(odds);
    }
  }
  return [...saved]
    .map(([point, { had, trees }]) => ({ point, had, perHundred: (100 * trees) / known.length }))
    .sort((x, y) => y.perHundred - x.perHundred);
}

const BOOTSTRAPS = 200;

/**
 * Costs with intervals: keepers are drawn again with replacement and the model fitted anew, `BOOTSTRAPS` times.
 *
 * @param seed so that the same facts give the same intervals
 * @param onFit told after each fit which share is done
 */
export function pointCostsWithIntervals(
  known: readonly JudgedFate[],
  model: PointsModel,
  seed: number,
  onFit: (share: number) => void = () => {},
): PointCost[] {
  const random = seededRandom(seed);
  const drawn = new Map<string, number[]>();
  for (let round = 0; round < BOOTSTRAPS; round++) {
    onFit(round / BOOTSTRAPS);
    const sample = known.map(() => known[Math.floor(random() * known.length)]!);
    // A sample of one outcome only tells of no cost.
    if (new Set(sample.map(({ alive }) => alive)).size < 2) continue;
    for (const { point, perHundred } of pointCosts(sample, pointsModel(sample)))
      drawn.set(point, [...(drawn.get(point) ?? []), perHundred]);
  }
  return pointCosts(known, model).map((cost) => {
    const values = (drawn.get(cost.point) ?? []).sort((a, b) => a - b);
    return { ...cost, low: quantile(values, 0.05), high: quantile(values, 0.95) };
  });
}
