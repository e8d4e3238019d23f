import { daySchools } from '@/server/plan/taught';
import { written } from '@/core/units/prose';
import { mixed, object } from 'yup';
import { differences, recalibrationSet, SET_SIZE } from '@/core/score/recalibration/recalibration-set';
import { methodById } from '@/core/methods/registry';
import type { Marks, ScoringRule } from '@/core/score/rubric/judge-union';
import { scoreUnion } from '@/core/score/rubric/score-union';
import type { RecalibrationRow } from '@/db/models/score-rows';
import { isDuplicate } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { id, text, decimal } from '@/core/inputs/fields';
import { marksInput } from './judgement-input';
import { parse } from '@/server/platform/parse';
import { currentRubric } from './rubrics';
import { notFound } from '@/server/platform/use-case-error';
import { methodAsked, taughtMethods } from '@/server/plan/planned-methods';
import { getWorkshop } from '@/server/plan/workshops';

/** A drawn union for an assessor; its grades are with it only once they have given theirs. */
export interface SetUnion {
  nth: number;
  measures: ReturnType<typeof recalibrationSet>[number]['measures'];
  seen: { point: string; words: string }[];
  answered: {
    marks: Marks;
    score: number | null;
    truthScore: number | null;
    differences: ReturnType<typeof differences>;
  } | null;
}

/** A recalibration set as one assessor has it, with how the others did once this one is through. */
export async function openRecalibration(
  context: Context,
  workshopId: string,
  seed: number | null,
  asked: string | null = null,
) {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId, lengthUnit },
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const taught = await taughtMethods(context, workshop);
  const method = methodAsked(taught, asked);
  const rubric = await currentRubric(context, method.id, await daySchools(context, workshop));
  const latest =
    ((await db.recalibrations.max('seed', { where: { clubId, method: method.id } })) as number | null) ?? 1;
  const chosen = seed ?? latest;
  const rows = await db.recalibrations.findAll({
    where: { clubId, method: method.id, seed: chosen },
    order: [['nth', 'ASC']],
    raw: true,
  });
  const set = recalibrationSet(method, rubric.body, chosen);
  const unions = set.map((union, nth): SetUnion => {
    const own = rows.find((row) => row.nth === nth && row.assessorId === userId);
    return {
      // The drawing is of the joined wood alone; marks that show on it would tell the grade of points told in words.
      nth,
      measures: union.measures,
      seen: union.seen.map(({ point, words }) => ({ point, words: written(words, lengthUnit) })),
      answered: own
        ? {
            marks: own.marks,
            score: scoreOf(rubric.body, union.truth, own.marks),
            truthScore: union.score,
            differences: differences(union, own.marks),
          }
        : null,
    };
  });
  const through = unions.every(({ answered }) => answered);
  const assessors = through
    ? await db.users.findAll({ where: { id: [...new Set(rows.map(({ assessorId }) => assessorId))] }, raw: true })
    : [];
  return {
    workshop,
    method: { id: method.id, name: method.name },
    taught: taught.map(({ id: known, name }) => ({ id: known, name })),
    seed: chosen,
    latest,
    rule: rubric.body,
    unions,
    assessors: assessors
      .map(({ id: assessorId, name }) =>
        summary(
          name,
          rows.filter((row) => row.assessorId === assessorId),
          set,
          rubric.body,
        ),
      )
      .sort((a, b) => a.name.localeCompare(b.name)),
  };
}

function summary(name: string, rows: RecalibrationRow[], set: ReturnType<typeof recalibrationSet>, rule: ScoringRule) {
  const points = rows.flatMap(({ nth, marks }) => differences(set[nth]!, marks));
  const asked = rows.reduce((sum, { nth }) => sum + Object.keys(set[nth]!.truth).length, 0);
  const scores = rows.flatMap(({ nth, marks }) => {
    const own = scoreOf(rule, set[nth]!.truth, marks);
    return own === null || set[nth]!.score === null ? [] : [own - set[nth]!.score!];
  });
  return {
    name,
    answered: rows.length,
    asked,
    otherwise: points.length,
    meanDifference: scores.length === 0 ? null : scores.reduce((a, b) => a + b, 0) / scores.length,
    points: countBy(points.map(({ point }) => point)),
  };
}

function countBy(names: string[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const name of names) counts[name] = (counts[name] ?? 0) + 1;
  return counts;
}

/** Score of an assessor's own grades; what was not marked counts as good, as at the bench. */
function scoreOf(rule: ScoringRule, truth: Record<string, unknown>, marks: Marks): number | null {
  return scoreUnion(
    Object.keys(truth).map((point) => ({ id: point, weight: rule.weights[point] ?? 0, grade: marks[point] ?? 'good' })),
    rule.fatalCap,
    rule.caps,
  ).score;
}

const answerInput = object({
  workshopId: id('the workshop'),
  method: text('the method', 40),
  seed: decimal()
    .required('Reload the page.')
    .integer('Reload the page.')
    .min(1, 'Reload the page.')
    .max(1_000_000, 'Reload the page.'),
  nth: decimal()
    .required('Reload the page.')
    .integer('Reload the page.')
    .min(0, 'Reload the page.')
    .max(SET_SIZE - 1, 'Reload the page.'),
  marks: mixed<Record<string, unknown>>().default({}),
});

/** Keeps an assessor's grades of one drawn union. The first answer counts; the rubric's grades are told only after it. */
export async function answerRecalibration(context: Context, answerId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('the answer'), answerId);
  const values = parse(answerInput, input);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const workshop = await getWorkshop(context, values.workshopId);
  const taught = await taughtMethods(context, workshop);
  if (!taught.some((method) => method.id === values.method)) throw notFound('The method');
  const { marks: read } = parse(object({ marks: marksInput(methodById(values.method)) }), { marks: values.marks });
  const rubric = await currentRubric(context, values.method, await daySchools(context, workshop));
  // A grade the drawn union cannot be given is no answer.
  const asked = new Set(
    Object.keys(recalibrationSet(methodById(values.method), rubric.body, values.seed)[values.nth]!.truth),
  );
  const marks = Object.fromEntries(Object.entries(read as Marks).filter(([point]) => asked.has(point)));
  try {
    await db.recalibrations.create({
      id: answerId,
      clubId,
      method: values.method,
      seed: values.seed,
      nth: values.nth,
      assessorId: userId,
      rubricId: rubric.id,
      marks,
      answeredAt: now,
    });
  } catch (error) {
    // Answered already, here or in another window.
    if (!isDuplicate(error)) throw error;
  }
}
