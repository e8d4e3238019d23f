import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { object } from 'yup';
import { InputError } from '@/core/contact/input-error';
import { methodById } from '@/core/methods/registry';
import type { VariantId } from '@/core/methods/use';
import { judgeUnion, type UnionJudgement } from '@/core/score/rubric/judge-union';
import type { Method } from '@/core/methods/method';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { judgementInput, type JudgementInput, marksInput, measuresInput, type ReadJudgement } from './judgement-input';
import { parse } from '@/server/platform/parse';
import { type ScoredDay, scoredDay } from './scored-day';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { variantsOn } from '@/server/plan/taught';
import { insertJudgement } from './insert-judgement';

/**
 * Saves a judgement under an id made on the device. The same id with the same content is saved
 * once however often it arrives; with other content it is refused. Corrections name the judgement
 * they replace, which is kept.
 *
 * @param day what is read of its workshop; judgements that come together share it
 */
export async function putJudgement(
  context: Context,
  judgementId: string,
  input: unknown,
  day: ScoredDay = scoredDay(context),
): Promise<JudgementRow> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId },
  } = context;
  parse(id('the judgement'), judgementId);
  const read = parse(judgementInput, input);
  if (read.assessorId && read.assessorId !== context.actor.userId)
    throw new UseCaseError(
      'forbidden',
      'This judgement was made by another assessor on this device. It stays here until they sign in again.',
      { assessorId: 'Signed in as another.' },
    );
  const workshop = await day.workshop(read.workshopId);
  const keeper = read.kind === 'keeper' ? await judgedKeeper(context, workshop, read) : null;
  const method = methodById(keeper?.method ?? read.method ?? workshop.method);
  const sent: JudgementInput = {
    ...read,
    ...parse(object({ measures: measuresInput(method, context.actor.lengthUnit), marks: marksInput(method) }), {
      measures: read.measures,
      marks: read.marks,
    }),
  };
  const sentHash = hashOfSent(sent);
  const replay = (): Promise<JudgementRow | null> => savedBefore(context, judgementId, sent, sentHash);
  const before = await replay();
  if (before) return before;

  const plant = keeper && (await db.plants.findOne({ where: { clubId, id: keeper.plantId! }, raw: true }));
  if (plant?.voidedAt)
    throw new UseCaseError('conflict', 'The tag of this keeper was voided. Bring it back on the Aftercare page first.');
  const seatId = keeper?.seatId ?? sent.seatId;
  const seat = await db.seats.findOne({ where: { clubId, workshopId: workshop.id, id: seatId }, raw: true });
  if (!seat) throw notFound('The seat');
  if (sent.filledInAt && sent.filledInAt > context.now) {
    throw new UseCaseError('invalid', 'The sheet cannot have been filled in later than now. Check date and time.', {
      filledInAt: 'Later than now.',
    });
  }
  const rubric = await day.rubric(workshop, method.id);
  const judged = judge(method, rubric.body, sent);
  const variant = keeper?.variant ?? (await variantSent(context, workshop, method, sent.variant));
  const { blindRate } = await day.settings(workshop.id);
  try {
    await transact(db, (transaction) =>
      insertJudgement(context, transaction, {
        id: judgementId,
        sent,
        sentHash,
        workshop,
        seat,
        keeper,
        method,
        variant,
        rubricId: rubric.id,
        judged,
        blindRate,
      }),
    );
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const twin = await replay();
    if (twin) return twin;
    if (sent.correctsId) throw alreadyCorrected();
    throw error;
  }
  return (await db.judgements.findOne({ where: { clubId, id: judgementId }, raw: true }))!;
}

/** The judgement that was saved under this id already, if it is the same. */
async function savedBefore(
  { db, actor: { clubId } }: Context,
  judgementId: string,
  sent: JudgementInput,
  sentHash: string,
): Promise<JudgementRow | null> {
  const known = await db.judgements.findOne({ where: { id: judgementId }, raw: true });
  if (known && known.clubId !== clubId) throw notFound('The judgement');
  if (known && (known.sentHash === null ? !sameContent(known, sent) : known.sentHash !== sentHash)) {
    throw new UseCaseError(
      'conflict',
      'This judgement was saved already with other figures. Reload the page; correct it there if it is wrong.',
    );
  }
  return known;
}

/** The keeper that a judgement is of; its method is its own, whatever the device took it for. */
async function judgedKeeper(
  { db, actor: { clubId } }: Context,
  workshop: WorkshopRow,
  { unionId, method }: Pick<ReadJudgement, 'unionId' | 'method'>,
): Promise<UnionRow> {
  const union =
    unionId &&
    (await db.unions.findOne({ where: { clubId, workshopId: workshop.id, kind: 'keeper', id: unionId }, raw: true }));
  if (!union) throw notFound('The keeper');
  if (method && method !== union.method)
    throw new UseCaseError(
      'conflict',
      `This keeper is ${methodById(union.method).inSentence}. Reload the page and judge it as that, or change it on the Aftercare page.`,
    );
  return union;
}

/** The variant a device named, if the method has it; else the one it is on the workshop's day. */
async function variantSent(
  context: Context,
  workshop: WorkshopRow,
  method: Method,
  sent: VariantId | null,
): Promise<VariantId> {
  if (sent && method.variants.some(({ id: variant }) => variant === sent)) return sent;
  return (await variantsOn(context, workshop))(method);
}

function judge(method: Method, rule: Parameters<typeof judgeUnion>[1], sent: JudgementInput): UnionJudgement {
  try {
    return judgeUnion(method, rule, sent.measures, sent.marks, sent.stage);
  } catch (error) {
    if (error instanceof InputError) throw new UseCaseError('invalid', error.message, { [error.field]: error.message });
    throw error;
  }
}

/** What makes two sendings the same judgement; times of sending and of the device's clock do not. */
function hashOfSent({
  workshopId,
  seatId,
  kind,
  unionId,
  method,
  number,
  stage,
  measures,
  marks,
  note,
  correctsId,
  filledInAt,
  outlook,
  outlookBy,
  seconds,
  strokes,
  variant,
}: JudgementInput): string {
  const content = [
    workshopId,
    seatId,
    number,
    stage,
    sorted(measures),
    sorted(marks),
    note,
    correctsId,
    filledInAt?.toISOString() ?? null,
    // Only where there is any: what was sent before these were known has the hash it had.
    ...(kind === 'keeper' || method !== null ? [kind, unionId, method, outlook, outlookBy] : []),
    ...(seconds !== null || strokes !== null || variant !== null ? [{ seconds, strokes, variant }] : []),
  ];
  return createHash('sha256').update(JSON.stringify(content)).digest('hex');
}

function sorted(record: object): [string, unknown][] {
  return Object.entries(record)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, value]) => [key, typeof value === 'object' && value !== null ? sorted(value) : value]);
}

/** As far as a row from before hashes were kept can tell. */
function sameContent(known: JudgementRow, sent: JudgementInput): boolean {
  return (
    isDeepStrictEqual(known.measures, sent.measures) &&
    isDeepStrictEqual(known.marks, sent.marks) &&
    known.note === sent.note &&
    known.stage === sent.stage &&
    known.correctsId === sent.correctsId
  );
}

function alreadyCorrected(): UseCaseError {
  return new UseCaseError(
    'conflict',
    'Somebody corrected this judgement meanwhile. Reload to see theirs; yours is still on the screen.',
  );
}

/** Takes a judgement back. It stays on record and counts no more; taking it back twice is taking it back once. */
export async function withdrawJudgement(context: Context, judgementId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId, role },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const judgement = await db.judgements.findOne({ where: { clubId, id: judgementId }, transaction, raw: true });
    if (!judgement) throw notFound('The judgement');
    if (judgement.assessorId !== userId && role !== 'lead')
      throw new UseCaseError(
        'forbidden',
        'Only its assessor or the lead may take a judgement back. Correct it instead.',
      );
    if (judgement.withdrawnAt) return;
    await db.judgements.update(
      { withdrawnAt: now, liveCorrectsId: null },
      { where: { clubId, id: judgementId }, transaction },
    );
    await refreshUnionFacts(db, clubId, [judgement.unionId], transaction);
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'judgement withdrawn',
      subjectId: judgementId,
      at: now,
    });
  });
}
