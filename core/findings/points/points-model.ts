import { logisticRegression } from '../../statistics/logistic-regression';
import { Z90 } from '../../statistics/normal-points';

/** How a point of the rubric was judged. */
export const POINT_GRADES = ['good', 'poor', 'fatal'] as const;
export type PointGrade = (typeof POINT_GRADES)[number];

/** A keeper with its points as judged, and its fate. */
export interface JudgedFate {
  grades: Readonly<Record<string, PointGrade>>;
  alive: boolean;
}

export interface PointEffect {
  point: string;
  grade: 'poor' | 'fatal';
  /** How many keepers had it. */
  count: number;
  /** What it adds to the log odds of living, against good. */
  estimate: number;
  standardError: number;
}

export interface PointsModel {
  intercept: number;
  interceptError: number;
  /** Points by name, poor before fatal; a grade nobody gave has none. */
  effects: PointEffect[];
}

/** Half of it times the sum of squared effects is taken off the log-likelihood; the intercept is free. */
export const RIDGE = 1;

/**
 * Every point of a rubric at once: poor and fatal against good, in one logistic model with a ridge penalty.
 *
 * @throws RangeError for no unions, all alive or all dead, or a union that lacks a point others have
 */
export function pointsModel(known: readonly JudgedFate[]): PointsModel {
  const points = pointsOf(known);
  const alive = known.filter((union) => union.alive).length;
  if (known.length === 0) throw new RangeError('There is no union with judged points and a known fate.');
  if (alive === 0 || alive === known.length)
    throw new RangeError(
      `All ${known.length} ${alive === 0 ? 'died' : 'lived'}: what points cost needs some that lived and some that died.`,
    );
  const columns = points.flatMap((point) =>
    (['poor', 'fatal'] as const).flatMap((grade) => {
      const count = known.filter(({ grades }) => grades[point] === grade).length;
      return count > 0 ? { point, grade, count } : [];
    }),
  );
  const fit = logisticRegression(
    known.map(({ grades }) => [1, ...columns.map(({ point, grade }) => Number(grades[point] === grade))]),
    known.map((union) => Number(union.alive)),
    [0, ...columns.map(() => RIDGE)],
  );
  return {
    intercept: fit.coefficients[0]!,
    interceptError: fit.standardErrors[0]!,
    effects: columns.map((column, j) => ({
      ...column,
      estimate: fit.coefficients[j + 1]!,
      standardError: fit.standardErrors[j + 1]!,
    })),
  };
}

/** The points some unions were judged by, sorted; each union has all of them. */
function pointsOf(known: readonly JudgedFate[]): string[] {
  const points = Object.keys(known[0]?.grades ?? {}).sort();
  known.forEach(({ grades }, i) => {
    for (const point of points)
      if (!POINT_GRADES.includes(grades[point]!))
        throw new RangeError(`Row ${i + 1}: the point ${point} is good, poor or fatal, not "${grades[point] ?? ''}".`);
  });
  return points;
}

/** Points whose odds ratio is known to less than a factor of ten (90 % interval) cannot be told. */
export function canBeTold({ standardError }: Pick<PointEffect, 'standardError'>): boolean {
  return 2 * Z90 * standardError <= Math.log(10);
}
