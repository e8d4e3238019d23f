import { logistic } from '../../statistics/logistic';
import type { JudgedFate, PointsModel } from './points-model';

interface PlainCost {
  point: string;
  /** Keepers that had it poor or fatal. */
  had: number;
  /** Trees in a hundred keepers that would live more, were the point good throughout. */
  perHundred: number;
}

/**
 * What each point costs: 100 x (mean take foretold with that point good throughout, less mean take foretold as it is).
 *
 * @returns one a point that somebody had poor or fatal, dearest first
 */
export function pointCosts(known: readonly JudgedFate[], model: PointsModel): PlainCost[] {
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
