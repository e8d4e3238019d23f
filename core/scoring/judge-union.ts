import type { Assessment, Method, Point, Stage } from '../methods/method';
import type { Measures } from '../methods/measures';
import type { PointGrade } from './grade';
import { FATAL_CAP, scoreUnion, type UnionScore } from './score-union';

/** What somebody marked, by point id. A point without a mark is good, or as measured. */
export type Marks = Record<string, PointGrade>;

/** The weights and the cap a union is scored by; made of a method, and editable apart from it. */
export interface ScoringRule {
  weights: Record<string, number>;
  fatalCap: number;
}

export interface UnionJudgement extends UnionScore {
  assessment: Assessment;
  grades: { point: Point; grade: PointGrade }[];
}

const STAGES: Stage[] = ['joined', 'wrapped', 'keeper'];

/** The points asked at a stage: its own and those of the stages before it. */
export function pointsAt(method: Method, stage: Stage): Point[] {
  return method.points.filter((point) => STAGES.indexOf(point.stage) <= STAGES.indexOf(stage));
}

/** The rule a method comes with. */
export function defaultRule(method: Method): ScoringRule {
  return { weights: Object.fromEntries(method.points.map(({ id, weight }) => [id, weight])), fatalCap: FATAL_CAP };
}

/**
 * Judges a union: contact and grades from the measures, the marks on top of them, the score.
 *
 * @throws InputError when a measure is one no union can have.
 */
export function judgeUnion(method: Method, rule: ScoringRule, measures: Measures, marks: Marks, stage: Stage): UnionJudgement {
  const assessment = method.assess(measures);
  const grades = pointsAt(method, stage).map((point) => ({
    point,
    grade: marks[point.id] ?? assessment.grades[point.id] ?? ('good' as const),
  }));
  const scored = scoreUnion(
    grades.map(({ point, grade }) => ({ id: point.id, weight: rule.weights[point.id] ?? 0, grade })),
    rule.fatalCap,
  );
  return { ...scored, assessment, grades };
}
