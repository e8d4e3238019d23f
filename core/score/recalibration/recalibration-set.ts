import type { Prose } from '../../units/prose';
import { seededRandom } from '../../chance/seeded-random';
import { InputError } from '../../contact/input-error';
import { exampleMeasures } from '../../methods/example-measures';
import type { Method } from '../../methods/method';
import type { Measures } from '../../methods/measures';
import { judgeUnion, type Marks, type ScoringRule } from '../rubric/judge-union';
import type { PointGrade } from '../../contact/grade';

/** A made-up union whose grades are known. */
export interface DrawnUnion {
  measures: Measures;
  /** Marks of what no drawing shows. */
  marks: Marks;
  /** What somebody beside it would have seen of those points, in words without a grade. */
  seen: { point: string; words: Prose }[];
  /** Grades by the rubric, of every point asked. */
  truth: Record<string, PointGrade>;
  score: number | null;
}

/** Unions of a set. */
export const SET_SIZE = 8;

/** Chance that a judged point has a fault, and that a measured one is drawn off. */
const FAULTY = 0.22;

/**
 * The same unions for the same seed: drawn with figures and faults by chance, their grades worked
 * out by the rule. What can be measured is read off the drawing; the rest is told in words.
 *
 * @param rule of the club; other schools or words make another set of grades, not other unions.
 */
export function recalibrationSet(method: Method, rule: ScoringRule, seed: number): DrawnUnion[] {
  const random = seededRandom(seed * 7919 + 17);
  const unions: DrawnUnion[] = [];
  while (unions.length < SET_SIZE) {
    const union = drawOne(method, rule, random);
    if (union) unions.push(union);
  }
  return unions;
}

function drawOne(method: Method, rule: ScoringRule, random: () => number): DrawnUnion | null {
  const changes: Record<string, number | string> = {};
  for (const field of method.fields) {
    if (field.place === 'first') {
      const usual = method.example[field.id]!;
      // Mostly near a clean union's, sometimes well off it.
      const share = random() < 0.75 ? 0.92 + 0.16 * random() : 0.75 + 0.4 * random();
      changes[field.id] = Math.round(usual * share * 10) / 10;
    } else if (field.place === 'picked' && field.picks && random() < 0.35) {
      changes[field.id] = field.picks[Math.floor(random() * field.picks.length)]!.id;
    }
  }
  const bare = tryJudge(method, rule, changes, {});
  if (!bare) return null;
  const marks: Marks = {};
  const seen: DrawnUnion['seen'] = [];
  for (const { point } of bare.grades) {
    if (point.measured || point.faults.length === 0) continue;
    const fault = random() < FAULTY ? point.faults[Math.floor(random() * point.faults.length)]! : null;
    if (fault) marks[point.id] = fault.grade;
    seen.push({ point: point.id, words: fault ? fault.words : point.good });
  }
  const judged = tryJudge(method, rule, changes, marks);
  if (!judged) return null;
  return {
    measures: exampleMeasures(method, changes),
    marks,
    seen,
    truth: Object.fromEntries(judged.grades.map(({ point, grade }) => [point.id, grade])),
    score: judged.score,
  };
}

function tryJudge(
  method: Method,
  rule: ScoringRule,
  changes: Record<string, number | string>,
  marks: Marks,
): ReturnType<typeof judgeUnion> | null {
  try {
    return judgeUnion(method, rule, exampleMeasures(method, changes), marks, 'joined');
  } catch (error) {
    // Figures that no wood allows: the next ones are drawn.
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** Where an assessor's grades part from the rubric's, point by point; those not marked count as good. */
export function differences(
  union: Pick<DrawnUnion, 'truth'>,
  marks: Marks,
): { point: string; truth: PointGrade; marked: PointGrade }[] {
  return Object.entries(union.truth).flatMap(([point, truth]) => {
    const said = marks[point] ?? 'good';
    return said === truth ? [] : [{ point, truth, marked: said }];
  });
}
