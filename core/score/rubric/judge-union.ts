import type { Assessment, Method, Point, Stage } from '../../methods/method';
import { figuresOf } from '../../methods/field';
import type { Figures, Measures } from '../../methods/measures';
import { type Choices, relevantChoices } from '../../methods/school';
import { pointsOf } from '../../methods/shown-technique';
import type { PointGrade } from '../../contact/grade';
import { type PointWords, wordedPoints } from './worded-points';
import { type Thresholds, USUAL_THRESHOLDS } from '../../methods/thresholds';
import { FATAL_CAP, scoreUnion, type UnionScore } from './score-union';

/** What somebody marked, by point id. A point without a mark is good, or as measured. */
export type Marks = Record<string, PointGrade>;

/** The weights and the cap a union is scored by; made of a method, and editable apart from it. */
export interface ScoringRule {
  weights: Record<string, number>;
  fatalCap: number;
  /** Caps of points whose fatal fault caps otherwise. */
  caps?: Record<string, number>;
  /** Thresholds that differ from the usual ones. */
  thresholds?: Partial<Thresholds>;
  /** Words a club has for points. */
  words?: Record<string, PointWords>;
  /** Schools the workshop follows; the usual ones where none is named. */
  schools?: Choices;
}

export interface UnionJudgement extends UnionScore {
  assessment: Assessment;
  /** The measures as plain figures, picks worked out. */
  figures: Figures;
  grades: { point: Point; grade: PointGrade }[];
}

/** Stages of a union's making at which it is judged, in their order. */
export const STAGES: readonly Stage[] = ['joined', 'wrapped', 'keeper'];

/** The points asked at a stage: its own and those of the stages before it. */
export function pointsAt(method: Method, stage: Stage, schools: Choices = {}): Point[] {
  return upTo(stage, pointsOf(method, schools));
}

function upTo(stage: Stage, points: Point[]): Point[] {
  return points.filter((point) => STAGES.indexOf(point.stage) <= STAGES.indexOf(stage));
}

/** The rule a method comes with, by the schools a workshop follows. */
export function defaultRule(method: Method, schools: Choices = {}): ScoringRule {
  const relevant = relevantChoices(schools, method.schools);
  return {
    weights: Object.fromEntries(pointsOf(method, schools).map(({ id, weight }) => [id, weight])),
    fatalCap: FATAL_CAP,
    ...(Object.keys(relevant).length > 0 ? { schools: relevant } : {}),
  };
}

/**
 * Judges a union: contact and grades from the measures, the marks on top of them, the score.
 *
 * @throws InputError when a measure is one no union can have.
 */
export function judgeUnion(
  method: Method,
  rule: ScoringRule,
  measures: Measures,
  marks: Marks,
  stage: Stage,
): UnionJudgement {
  const figures = figuresOf(method.fields, measures);
  const assessment = method.assess(figures, marks, { ...USUAL_THRESHOLDS, ...rule.thresholds }, rule.schools ?? {});
  const grades = upTo(stage, wordedPoints(method, rule)).map((point) => ({
    point,
    grade: marks[point.id] ?? assessment.grades[point.id] ?? ('good' as const),
  }));
  const scored = scoreUnion(
    grades.map(({ point, grade }) => ({ id: point.id, weight: rule.weights[point.id] ?? 0, grade })),
    rule.fatalCap,
    rule.caps,
  );
  return { ...scored, assessment, figures, grades };
}
