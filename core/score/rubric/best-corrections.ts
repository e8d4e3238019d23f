import { InputError } from '../../contact/input-error';
import type { Correction, Method, Stage } from '../../methods/method';
import type { Measures } from '../../methods/measures';
import { judgeUnion, type Marks, type ScoringRule } from './judge-union';

export interface RankedCorrection extends Correction {
  /** Score after this one change, and what it gains. */
  score: number;
  gain: number;
  /** What it gains before the cap, so that a change is weighed even while a fatal fault holds the total. */
  worth: number;
  /** Contact after it. */
  contact: number;
  mendsFatal: boolean;
  /** Moving a piece is all that its point needs. */
  saves: boolean;
}

/**
 * The corrections that would raise the score most, each alone and computed again; one that mends
 * a fatal fault comes first, since with two fatal faults neither alone lifts the cap. Where a piece only
 * has to be moved for its point to be good, that goes before any new cut, and nothing that is good is cut again. At most
 * `count`, and no two for the same point.
 */
export function bestCorrections(
  method: Method,
  rule: ScoringRule,
  measures: Measures,
  marks: Marks,
  stage: Stage,
  count = 2,
): RankedCorrection[] {
  const now = judgeUnion(method, rule, measures, marks, stage);
  const judged: (Correction & { marks?: Marks })[] = now.grades
    .filter(
      ({ point, grade }) =>
        grade !== 'good' && grade !== 'not-looked-at' && (!point.measured || marks[point.id] !== undefined),
    )
    .map(({ point }) => ({
      point: point.id,
      say: point.correction,
      marks: { ...marks, [point.id]: 'good' as const },
    }));

  const ranked: RankedCorrection[] = [];
  for (const correction of [
    ...method.corrections(measures, now.figures, now.assessment, rule.schools ?? {}),
    ...judged,
  ] as (Correction & { marks?: Marks })[]) {
    try {
      const then = judgeUnion(method, rule, correction.measures ?? measures, correction.marks ?? marks, stage);
      ranked.push({
        ...correction,
        score: then.score ?? 0,
        gain: (then.score ?? 0) - (now.score ?? 0),
        worth: (then.uncapped ?? 0) - (now.uncapped ?? 0),
        contact: then.assessment.contact.contact,
        mendsFatal: then.fatal.length < now.fatal.length,
        saves:
          correction.moves === true &&
          gradeOf(then, correction.point) === 'good' &&
          gradeOf(now, correction.point) !== 'good',
      });
    } catch (error) {
      // A change that the wood does not allow is no advice.
      if (!(error instanceof InputError)) throw error;
    }
  }
  // Sorting keeps the order of equals: of two pushes that save, the shorter was told first.
  ranked.sort(
    (a, b) =>
      Number(b.mendsFatal) - Number(a.mendsFatal) ||
      Number(b.saves) - Number(a.saves) ||
      (a.saves && b.saves ? 0 : b.worth - a.worth || b.contact - a.contact),
  );
  const pushed = ranked.some(({ saves }) => saves);
  const chosen: RankedCorrection[] = [];
  for (const candidate of ranked) {
    if (chosen.length === count) break;
    const recutsGood = pushed && !candidate.moves && gradeOf(now, candidate.point) === 'good';
    const worthSaying = !recutsGood && (candidate.mendsFatal || candidate.worth > 0.01);
    if (worthSaying && !chosen.some((taken) => taken.point === candidate.point)) chosen.push(candidate);
  }
  return chosen;
}

function gradeOf({ grades }: ReturnType<typeof judgeUnion>, point: string): string | undefined {
  return grades.find((each) => each.point.id === point)?.grade;
}
