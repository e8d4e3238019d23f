import { v5 } from 'uuid';
import { lazy, mixed, number, object } from 'yup';
import { InputError } from '@/core/contact/input-error';
import type { Method } from '@/core/methods/method';
import { METHODS, methodById } from '@/core/methods/registry';
import { judgeUnion, type ScoringRule } from '@/core/score/rubric/judge-union';
import { type RubricPreview, rubricPreview } from '@/core/score/rubric/rubric-preview';
import { editedRule, type RubricEdits, rubricProblems } from '@/core/score/rubric/rubric-edits';
import type { JudgementRow } from '@/db/models/union-rows';
import { isDuplicate, transact } from '@/db/transact';
import { attemptOf } from './attempts';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { standing } from '@/server/platform/counting-judgement';
import { id, decimal } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { currentRubric } from './rubrics';
import { groupByUnion } from './scored-unions';
import { scoringSettings } from './scoring-settings';
import { openJudgement } from '@/server/platform/waiting-for-second';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';

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

function parseEdits(method: Method, input: unknown): RubricEdits {
  const edits = parse(object({ edits: editsInput.required('Enter the rubric.') }), input).edits as RubricEdits;
  // The schools change wording, seldom points; weights are checked for each answer that is in use by the usual ones.
  const problems = rubricProblems(method, {}, edits);
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
  const edits = parseEdits(method, input);
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
  const edits = parseEdits(method, input);
  const {
    db,
    actor: { clubId },
  } = context;
  const workshops = await db.workshops.findAll({ where: { clubId, method: methodId }, raw: true });
  const unions = await db.unions.findAll({
    where: { clubId, workshopId: workshops.map((workshop) => workshop.id), kind: 'practice' },
    order: [['id', 'DESC']],
    limit: PREVIEWED,
    raw: true,
  });
  const byUnion = groupByUnion(
    await db.judgements.findAll({ where: { clubId, unionId: unions.map((union) => union.id) }, raw: true }),
  );
  const rules = new Map(
    await Promise.all(
      workshops.map(
        async (workshop) =>
          [
            workshop.id,
            {
              rule: editedRule(method, workshop.schools, edits),
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
    const then = counts && rejudge(method, rule, counts);
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

function rejudge(
  method: Method,
  rule: ScoringRule,
  { measures, marks, stage }: Pick<JudgementRow, 'measures' | 'marks' | 'stage'>,
): ReturnType<typeof judgeUnion> | null {
  try {
    return judgeUnion(method, rule, measures, marks, stage);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/**
 * Scores the standing judgements of a workshop's practice again by the rubric of now. Each gets a
 * further row that names the one it replaces; the assessor stays who it was. Asked twice it is done once.
 */
export async function rescoreWorkshop(context: Context, workshopId: string): Promise<number> {
  allow(context, 'lead');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const method = methodById(workshop.method);
  const rubric = await currentRubric(context, workshop.method, workshop.schools);
  const rescore = (): Promise<number> =>
    transact(db, async (transaction) => {
      const unions = await db.unions.findAll({
        where: { clubId, workshopId, kind: 'practice' },
        transaction,
        raw: true,
      });
      const byUnion = groupByUnion(
        await db.judgements.findAll({
          where: { clubId, unionId: unions.map((union) => union.id) },
          transaction,
          raw: true,
        }),
      );
      const fresh = [...byUnion.values()]
        .flatMap((all) => standing(all))
        .filter(({ rubricId }) => rubricId !== rubric.id)
        .flatMap((old) => {
          const judged = rejudge(method, rubric.body, old);
          if (!judged) return [];
          const { contact, contactGrade } = judged.assessment;
          // An id made of both, so that two who ask at once make the same row.
          return [
            {
              ...old,
              id: v5(rubric.id, old.id),
              rubricId: rubric.id,
              score: judged.score,
              fatal: judged.fatal,
              contact: contact.contact,
              contactLeft: contact.left,
              contactRight: contact.right,
              touchingMm: contact.touching,
              runs: contact.ring,
              contactGrade: contactGrade.grade as JudgementRow['contactGrade'],
              contactWords: contactGrade.words,
              modelVersion: method.contactModel,
              correctsId: old.id,
              liveCorrectsId: old.id,
              rescoredBy: userId,
              recordedAt: now,
              blind: old.blind,
              sentHash: null,
            },
          ];
        });
      if (fresh.length === 0) return 0;
      await db.judgements.bulkCreate(fresh, { transaction });
      await refreshUnionFacts(db, clubId, [...new Set(fresh.map(({ unionId }) => unionId))], transaction);
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `rescored: ${fresh.length}`,
        subjectId: workshopId,
        at: now,
      });
      return fresh.length;
    });
  try {
    return await rescore();
  } catch (error) {
    // Somebody else asked in this moment, or corrected one of them: count again.
    if (!isDuplicate(error)) throw error;
    return rescore();
  }
}
