import type { JudgedKeeper } from '../facts/keeper-fact';
import { groupedBy } from '../../units/grouped-by';
import type { AdjustedUnion } from '../mixed/adjusted-design';
import type { PointGrade } from './points-model';

export interface JudgedPoints {
  known: (AdjustedUnion & { grades: Record<string, PointGrade> })[];
  /** Keepers left out because a point that is usually looked at was not. */
  leftOut: number;
}

/** A point that fewer keepers of a method were looked at for is not compared. */
const USUALLY_LOOKED_AT = 0.8;

/**
 * Keepers of a known fate by their points, for one model: whittled again counts as poor, a point that a method does not
 * have as good.
 */
export function judgedPoints(judged: readonly JudgedKeeper[]): JudgedPoints {
  const told = judged.filter(({ fate }) => fate !== 'unknown');
  const byMethod = [...groupedBy(told, ({ method }) => method).values()];
  const rows = byMethod.flatMap((own) => {
    const points = [...new Set(own.flatMap(({ grades }) => Object.keys(grades)))].filter(
      (point) => own.filter(({ grades }) => looked(grades[point])).length >= USUALLY_LOOKED_AT * own.length,
    );
    return own
      .filter(({ grades }) => points.every((point) => looked(grades[point])))
      .map(({ grades, fate, method, workshopId, makerId }) => ({
        alive: fate === 'alive',
        method,
        score: null,
        fatal: null,
        groups: { workshop: workshopId, grafter: makerId },
        grades: Object.fromEntries(points.map((point) => [point, plainGrade(grades[point]!)])),
      }));
  });
  const all = [...new Set(rows.flatMap(({ grades }) => Object.keys(grades)))];
  return {
    leftOut: told.length - rows.length,
    known: rows.map(({ grades, ...row }) => ({
      ...row,
      grades: Object.fromEntries(all.map((point) => [point, grades[point] ?? ('good' as const)])),
    })),
  };
}

type Given = JudgedKeeper['grades'][string];

const looked = (grade: Given): boolean => grade !== undefined && grade !== 'not-looked-at';

function plainGrade(grade: NonNullable<Given>): PointGrade {
  if (grade === 'fatal' || grade === 'good') return grade;
  return 'poor';
}
