import { daySchools } from '@/server/plan/taught';
import { object, string } from 'yup';
import { QueryTypes } from 'sequelize';
import { id } from '@/core/inputs/fields';
import { shownTechnique } from '@/core/methods/shown-technique';
import { type AskedCount, QUESTION_KINDS } from '@/core/teach/questions/question-kinds';
import { isDuplicate } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { taughtMethods } from '@/server/plan/planned-methods';
import { getWorkshop } from '@/server/plan/workshops';

const askedInput = object({
  id: id('the question'),
  method: string().max(40).required('Say at which method it was asked.'),
  step: string().max(40).required('Say at which step it was asked.'),
  kind: string()
    .oneOf(QUESTION_KINDS.map((kind) => kind.id))
    .required('Say what was asked.'),
});

/** Notes that a learner asked something at a step. Sent twice under one id it counts once. */
export async function noteQuestion(context: Context, workshopId: string, input: unknown): Promise<AskedCount[]> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId },
    now,
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const question = parse(askedInput, input);
  const method = (await taughtMethods(context, workshop)).find((taught) => taught.id === question.method);
  const schools = await daySchools(context, workshop);
  if (!method || !shownTechnique(method, schools).steps.some((step) => step.id === question.step))
    throw new UseCaseError('invalid', 'This day does not teach that step. Load the page again and note it there.');
  try {
    await db.learnerQuestions.create({ ...question, clubId, workshopId: workshop.id, askedAt: now });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const known = await db.learnerQuestions.findOne({ where: { id: question.id, clubId, workshopId }, raw: true });
    if (!known) throw new UseCaseError('conflict', 'This question was noted elsewhere already. Note it again.');
  }
  return askedAt(context, workshop.id);
}

/** Takes a noted question back; one that is gone already changes nothing. */
export async function takeQuestionBack(context: Context, workshopId: string, input: unknown): Promise<AskedCount[]> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId },
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const { id: question } = parse(object({ id: id('the question') }), input);
  await db.learnerQuestions.destroy({ where: { id: question, clubId, workshopId: workshop.id } });
  return askedAt(context, workshop.id);
}

/** What was asked at each step, on this day and ever in this club; the most asked first. One statement. */
export async function askedAt(context: Context, workshopId: string): Promise<AskedCount[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const rows = await db.sequelize.query<Omit<AskedCount, 'here' | 'ever'> & { here: string; ever: string }>(
    `SELECT method, step, kind, SUM(workshop_id = :workshopId) AS here, COUNT(*) AS ever FROM learner_questions
     WHERE club_id = :clubId GROUP BY method, step, kind ORDER BY ever DESC, method, step, kind`,
    { type: QueryTypes.SELECT, replacements: { clubId, workshopId } },
  );
  return rows.map((row) => ({ ...row, here: Number(row.here), ever: Number(row.ever) }));
}
