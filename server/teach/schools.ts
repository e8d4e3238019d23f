import { mixed, object } from 'yup';
import { methodById } from '@/core/methods/registry';
import { type Choices, relevantChoices } from '@/core/methods/school';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';

const schoolsInput = object({
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
  const { schools } = parse(schoolsInput, input);
  const questions = methodById(workshop.method).schools;
  for (const [id, option] of Object.entries(schools)) {
    const question = questions.find((asked) => asked.id === id);
    if (!question || !question.options.some((choice) => choice.id === option))
      throw new UseCaseError(
        'invalid',
        'One of the choices is not offered for this method. Reload the page and choose again.',
        { [id]: 'Choose again.' },
      );
  }
  await transact(db, async (transaction) => {
    await db.workshops.update(
      { schools: relevantChoices(schools, questions) },
      { where: { clubId, id: workshopId }, transaction },
    );
    await audit(db, transaction, { clubId, actorId: userId, action: 'schools chosen', subjectId: workshopId, at: now });
  });
  return getWorkshop(context, workshopId);
}
