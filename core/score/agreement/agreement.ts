import type { PointGrade } from '../../contact/grade';
import { drift, type Drift } from './drift';
import { krippendorffAlpha } from './krippendorff-alpha';
import { type LimitsOfAgreement, limitsOfAgreement } from './limits-of-agreement';
import { weightedKappa } from './weighted-kappa';
import { groupedBy } from '../../units/grouped-by';

/** One assessor's judgement of a union that was scored twice without seeing the other's. */
export interface BlindJudgement {
  unionId: string;
  assessorId: string;
  score: number | null;
  grades: Record<string, PointGrade>;
  /** Hours since the day began. */
  hours: number;
}

export interface PairAgreement {
  first: string;
  second: string;
  n: number;
  /** By point; null where it says nothing. `n` counts unions where both looked at it, `same` those graded alike. */
  points: Record<string, { kappa: number | null; n: number; same: number }>;
  scores: LimitsOfAgreement | null;
}

export interface Agreement {
  unions: number;
  /** Ordinal over all grades of all points, and by point; interval over scores. */
  alphaMarks: number | null;
  alphaByPoint: Record<string, number | null>;
  alphaScores: number | null;
  pairs: PairAgreement[];
  drifts: { assessorId: string; drift: Drift }[];
}

/** Grades in order; a recut is worth as little as a fatal fault. */
const ORDER: Record<PointGrade, number | null> = { good: 0, poor: 1, recut: 2, fatal: 2, 'not-looked-at': null };
const CATEGORIES = 3;

/** How far assessors agree, from unions that two or more of them scored. */
export function agreementOf(judgements: readonly BlindJudgement[], points: readonly string[]): Agreement {
  const byUnion = groupedBy(judgements, ({ unionId }) => unionId);
  const shared = [...byUnion.values()].filter(({ length }) => length > 1);
  const grade = (judgement: BlindJudgement, point: string): number | null =>
    ORDER[judgement.grades[point] ?? 'not-looked-at'];
  const gradesOf = (unions: BlindJudgement[][], point: string): number[][] =>
    unions.map((union) => union.flatMap((judgement) => grade(judgement, point) ?? []));
  const assessors = [...new Set(shared.flat().map(({ assessorId }) => assessorId))].sort();

  const pairs: PairAgreement[] = [];
  for (const [i, first] of assessors.entries()) {
    for (const second of assessors.slice(i + 1)) {
      const both = shared.flatMap((union): [BlindJudgement, BlindJudgement][] => {
        const [a, b] = [
          union.find(({ assessorId }) => assessorId === first),
          union.find(({ assessorId }) => assessorId === second),
        ];
        return a && b ? [[a, b]] : [];
      });
      if (both.length === 0) continue;
      pairs.push({
        first,
        second,
        n: both.length,
        points: Object.fromEntries(
          points.map((point) => {
            const graded = both.flatMap(([a, b]): [number, number][] => {
              const [x, y] = [grade(a, point), grade(b, point)];
              return x === null || y === null ? [] : [[x, y]];
            });
            return [
              point,
              {
                kappa: weightedKappa(graded, CATEGORIES),
                n: graded.length,
                same: graded.filter(([a, b]) => a === b).length,
              },
            ];
          }),
        ),
        scores: limitsOfAgreement(
          both.flatMap(([a, b]): [number, number][] =>
            a.score === null || b.score === null ? [] : [[a.score, b.score]],
          ),
        ),
      });
    }
  }
  const drifts = driftsOf(assessors, shared);
  return {
    unions: shared.length,
    // Each point of each union is a unit: the marks as a whole.
    alphaMarks: krippendorffAlpha(
      points.flatMap((point) => gradesOf(shared, point)),
      'ordinal',
    ),
    alphaByPoint: Object.fromEntries(
      points.map((point) => [point, krippendorffAlpha(gradesOf(shared, point), 'ordinal')]),
    ),
    alphaScores: krippendorffAlpha(
      shared.map((union) => union.flatMap(({ score }) => score ?? [])),
      'interval',
    ),
    pairs,
    drifts,
  };
}

/** How each assessor drifts from the others over the hours. */
function driftsOf(assessors: string[], shared: BlindJudgement[][]): Agreement['drifts'] {
  return assessors.flatMap((assessorId) => {
    const own = shared.flatMap((union) => {
      const mine = union.find((judgement) => judgement.assessorId === assessorId);
      const others = union.filter((judgement) => judgement.assessorId !== assessorId && judgement.score !== null);
      if (!mine || mine.score === null || others.length === 0) return [];
      return [
        {
          hours: mine.hours,
          difference: mine.score - others.reduce((sum, { score }) => sum + score!, 0) / others.length,
        },
      ];
    });
    const found = drift(own);
    return found ? [{ assessorId, drift: found }] : [];
  });
}
