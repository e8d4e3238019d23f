import { mixed, object, string } from 'yup';
import { type Choices, relevantChoices } from '@/core/methods/school';
import { ANSWERED_BY_THE_DAY } from '@/core/methods/schools/of-making';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { taughtMethods } from '@/server/plan/planned-methods';
import { getWorkshop } from '@/server/plan/workshops';

const schoolsInput = object({
  /** The method the choices are of; the workshop's where none is named. */
  method: string().default(undefined),
  schools: mixed<Choices>()
    .required('Choose the schools.')
    .test(
      'choices',
      'The choices cannot be read. Choose them again.',
      (value) =>
        typeof value === 'object' &&
        value !== null &&
        !Array.isArray(value) &&
        Object.values(value).every((option) => typeof option === 'string'),
    ),
});

/** Sets the schools a workshop follows: its drawings, steps, rubric, materials and aftercare all do from now on. */
export async function putSchools(context: Context, workshopId: string, input: unknown): Promise<WorkshopRow> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const { schools, method: asked } = parse(schoolsInput, input);
  const method = (await taughtMethods(context, workshop)).find(({ id }) => id === (asked ?? workshop.method));
  if (!method) throw notFound('The method');
  // What the day decides by its variant is no school.
  const questions = method.schools.filter(({ id }) => !ANSWERED_BY_THE_DAY.includes(id));
  for (const [id, option] of Object.entries(schools)) {
    const question = questions.find((asked) => asked.id === id);
    if (!question || !question.options.some((choice) => choice.id === option))
      throw new UseCaseError(
        'invalid',
        'One of the choices is not offered for this method. Reload the page and choose again.',
        { [id]: 'Choose again.' },
      );
  }
  // What other methods of the day ask besides stays as it was chosen.
  const others = Object.entries(workshop.schools).filter(([id]) => !questions.some((question) => question.id === id));
  await transact(db, async (transaction) => {
    await db.workshops.update(
      { schools: { ...Object.fromEntries(others), ...relevantChoices(schools, questions) } },
      { where: { clubId, id: workshopId }, transaction },
    );
    await audit(db, transaction, { clubId, actorId: userId, action: 'schools chosen', subjectId: workshopId, at: now });
  });
  return getWorkshop(context, workshopId);
}
