import { daySchools } from '@/server/plan/taught';
import { lazy, mixed, number, object } from 'yup';
import type { Method } from '@/core/methods/method';
import { METHODS, methodById } from '@/core/methods/registry';
import { type RubricPreview, rubricPreview } from '@/core/score/rubric/rubric-preview';
import { editedRule, type RubricEdits, rubricProblems } from '@/core/score/rubric/rubric-edits';
import { isDuplicate, transact } from '@/db/transact';
import { attemptOf } from './attempts';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { id, decimal } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { groupByUnion } from './scored-unions';
import { rejudge } from './rescoring';
import { scoringSettings } from './scoring-settings';
import { openJudgement } from '@/server/platform/waiting-for-second';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

const figures = lazy((value: unknown) =>
  object(
    Object.fromEntries(
      Object.keys(value ?? {}).map((key) => [
        key,
        number().strict().typeError('Enter a figure.').required('Enter a figure.'),
      ]),
    ),
  ),
);

const editsInput = object({
  weights: figures,
  caps: figures,
  thresholds: figures,
  fatalCap: number().strict().typeError('Enter the cap as a figure.').default(undefined),
  words: mixed<NonNullable<RubricEdits['words']>>()
    .default({})
    .test('words', 'Words of a point are too long: 200 characters at most, and 40 for a name.', (value) => {
      if (typeof value !== 'object' || value === null) return false;
      const text = (value: unknown, most: number): boolean =>
        value === undefined || (typeof value === 'string' && value.trim() !== '' && value.length <= most);
      return Object.values(value).every(
        (wording) =>
          typeof wording === 'object' &&
          wording !== null &&
          text(wording.name, 40) &&
          text(wording.good, 200) &&
          text(wording.correction, 200) &&
          Object.values(wording.faults ?? {}).every((words) => text(words, 200)),
      );
    }),
});

function methodOf(methodId: string): Method {
  if (!METHODS.some((method) => method.id === methodId)) throw notFound('The method');
  return methodById(methodId);
}

function parseEdits(context: Context, method: Method, input: unknown): RubricEdits {
  const edits = parse(object({ edits: editsInput.required('Enter the rubric.') }), input).edits as RubricEdits;
  // The schools change wording, seldom points; weights are checked for each answer that is in use by the usual ones.
  const problems = rubricProblems(method, {}, edits, context.actor.lengthUnit);
  const [first] = Object.values(problems);
  if (first) throw new UseCaseError('invalid', first, problems);
  return edits;
}

/** What a club scores otherwise than a method's own rubric, and how often that was changed. */
export async function rubricEdits(
  context: Context,
  methodId: string,
): Promise<{ version: number; edits: RubricEdits }> {
  allow(context, 'viewer');
  const row = await context.db.rubricEdits.findOne({
    where: { clubId: context.actor.clubId, method: methodId },
    raw: true,
  });
  return { version: row?.version ?? 0, edits: row?.body ?? {} };
}

/** Changes the rubric of a method from now on; what was scored keeps the row it was scored by. */
export async function putRubricEdits(context: Context, methodId: string, input: unknown): Promise<number> {
  allow(context, 'lead');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const method = methodOf(methodId);
  const edits = parseEdits(context, method, input);
  const { changeId, version } = parse(
    object({
      changeId: id('the change'),
      version: decimal().required('Reload the page.').integer('Reload the page.').min(0, 'Reload the page.'),
    }),
    input,
  );
  const conflict = new UseCaseError(
    'conflict',
    'Somebody changed this rubric meanwhile. Open it anew in another window and bring your changes over; they are still here.',
  );
  const where = { clubId, method: methodId };
  const row = { body: edits, version: version + 1, changeId, changedBy: userId, changedAt: now };
  try {
    await transact(db, async (transaction) => {
      const known = await db.rubricEdits.findOne({ where, transaction, raw: true });
      if (known?.changeId === changeId) return;
      if (known) {
        const [changed] = await db.rubricEdits.update(row, { where: { ...where, version }, transaction });
        if (changed === 0) throw conflict;
      } else if (version !== 0) throw conflict;
      else await db.rubricEdits.create({ ...where, ...row }, { transaction });
      await audit(db, transaction, { clubId, actorId: userId, action: 'rubric changed', subjectId: changeId, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    if (!(await db.rubricEdits.findOne({ where: { ...where, changeId }, raw: true }))) throw conflict;
  }
  return version + 1;
}

/** Unions a preview looks at; the latest ones, so that it answers while somebody waits. */
const PREVIEWED = 2000;

/** What past practice unions would score by changed rules, and who would or would no longer be ready. Saves nothing. */
export async function previewRubric(context: Context, methodId: string, input: unknown): Promise<RubricPreview> {
  allow(context, 'assistant');
  const method = methodOf(methodId);
  const edits = parseEdits(context, method, input);
  const {
    db,
    actor: { clubId },
  } = context;
  const unions = await db.unions.findAll({
    where: { clubId, method: methodId, kind: 'practice' },
    order: [['id', 'DESC']],
    limit: PREVIEWED,
    raw: true,
  });
  const byUnion = groupByUnion(
    await db.judgements.findAll({ where: { clubId, unionId: unions.map((union) => union.id) }, raw: true }),
  );
  const workshops = await db.workshops.findAll({
    where: { clubId, id: [...new Set(unions.map(({ workshopId }) => workshopId))] },
    raw: true,
  });
  const rules = new Map(
    await Promise.all(
      workshops.map(
        async (workshop) =>
          [
            workshop.id,
            {
              rule: editedRule(method, await daySchools(context, workshop), edits),
              ready: (await scoringSettings(context, workshop.id)).ready,
            },
          ] as const,
      ),
    ),
  );
  const hands = new Map<
    string,
    {
      ready: { last: number; score: number };
      unions: { number: number; now: ReturnType<typeof attemptOf>; then: ReturnType<typeof attemptOf> }[];
    }
  >();
  for (const union of unions) {
    const counts = openJudgement(union, byUnion.get(union.id) ?? []);
    const { rule, ready } = rules.get(union.workshopId)!;
    const then = counts?.method === methodId ? rejudge(method, rule, counts) : null;
    if (!counts || !then) continue;
    const hand = hands.get(union.seatId) ?? { ready, unions: [] };
    hand.unions.push({
      number: union.number,
      now: attemptOf(counts),
      then: attemptOf({ score: then.score, fatal: then.fatal, marks: counts.marks }),
    });
    hands.set(union.seatId, hand);
  }
  return rubricPreview(
    [...hands.values()].map(({ ready, unions: own }) => ({ ready, unions: own.sort((a, b) => a.number - b.number) })),
  );
}
