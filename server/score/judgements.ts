import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { v7 as uuid } from 'uuid';
import { QueryTypes, type Transaction } from 'sequelize';
import { object } from 'yup';
import { InputError } from '@/core/contact/input-error';
import { methodById } from '@/core/methods/registry';
import { judgeUnion, type UnionJudgement } from '@/core/score/rubric/judge-union';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { judgementInput, type JudgementInput, marksInput, measuresInput } from './judgement-input';
import { parse } from '@/server/platform/parse';
import { currentRubric } from './rubrics';
import { standing } from '@/server/platform/counting-judgement';
import { scoringSettings } from './scoring-settings';
import { isDrawn } from './second-looks';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';

/**
 * Saves a judgement under an id made on the device. The same id with the same content is saved
 * once however often it arrives; with other content it is refused. Corrections name the judgement
 * they replace, which is kept.
 */
export async function putJudgement(context: Context, judgementId: string, input: unknown): Promise<JudgementRow> {
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
  const workshop = await getWorkshop(context, read.workshopId);
  const method = methodById(workshop.method);
  const sent: JudgementInput = {
    ...read,
    ...parse(object({ measures: measuresInput(method), marks: marksInput(method) }), {
      measures: read.measures,
      marks: read.marks,
    }),
  };
  const sentHash = hashOfSent(sent);
  const replay = async (): Promise<JudgementRow | null> => {
    const known = await db.judgements.findOne({ where: { id: judgementId }, raw: true });
    if (known && known.clubId !== clubId) throw notFound('The judgement');
    if (known && (known.sentHash === null ? !sameContent(known, sent) : known.sentHash !== sentHash)) {
      throw new UseCaseError(
        'conflict',
        'This judgement was saved already with other figures. Reload the page; correct it there if it is wrong.',
      );
    }
    return known;
  };
  const before = await replay();
  if (before) return before;

  const seat = await db.seats.findOne({ where: { clubId, workshopId: workshop.id, id: sent.seatId }, raw: true });
  if (!seat) throw notFound('The seat');
  if (sent.filledInAt && sent.filledInAt > context.now) {
    throw new UseCaseError('invalid', 'The sheet cannot have been filled in later than now. Check date and time.', {
      filledInAt: 'Later than now.',
    });
  }
  const rubric = await currentRubric(context, workshop.method, workshop.schools);
  const judged = judge(workshop, rubric.body, sent);
  const { blindRate } = await scoringSettings(context, workshop.id);
  try {
    await transact(db, (transaction) =>
      insert(context, transaction, judgementId, sent, workshop, rubric.id, judged, blindRate, sentHash),
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

function judge(workshop: WorkshopRow, rule: Parameters<typeof judgeUnion>[1], sent: JudgementInput): UnionJudgement {
  const method = methodById(workshop.method);
  try {
    return judgeUnion(method, rule, sent.measures, sent.marks, sent.stage);
  } catch (error) {
    if (error instanceof InputError) throw new UseCaseError('invalid', error.message, { [error.field]: error.message });
    throw error;
  }
}

async function insert(
  context: Context,
  transaction: Transaction,
  judgementId: string,
  sent: JudgementInput,
  workshop: WorkshopRow,
  rubricId: string,
  judged: UnionJudgement,
  blindRate: number,
  sentHash: string,
): Promise<void> {
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { union, fresh } = await practiceUnion(context, transaction, workshop.id, sent.seatId, sent.number);
  const before = fresh
    ? []
    : standing(await db.judgements.findAll({ where: { clubId, unionId: union.id }, transaction, raw: true }));
  // Blind only if it was still unseen: a second score of one who had seen the first measures nothing.
  const blind = sent.second && hiddenFrom(userId, union, before);
  let corrected: JudgementRow | null = null;
  if (sent.correctsId) {
    corrected = await db.judgements.findOne({ where: { clubId, id: sent.correctsId }, transaction, raw: true });
    if (!corrected || corrected.unionId !== union.id) throw notFound('The judgement to correct');
    if (hiddenFrom(userId, union, before)) throw notFound('The judgement to correct');
    if (corrected.withdrawnAt)
      throw new UseCaseError('conflict', 'The judgement to correct was taken back meanwhile. Save this as a new one.');
  } else if (blind) {
    await db.unions.update({ secondSettledAt: now }, { where: { clubId, id: union.id }, transaction });
  } else if (before.length === 0 && isDrawn(union.id, blindRate)) {
    await db.unions.update({ secondWanted: true }, { where: { clubId, id: union.id }, transaction });
  } else if (union.doubleSettledAt) {
    // A further assessor after the lead had settled: the question is open again.
    await db.unions.update({ doubleSettledAt: null }, { where: { clubId, id: union.id }, transaction });
  }
  const { contact, contactGrade } = judged.assessment;
  await db.judgements.create(
    {
      id: judgementId,
      clubId,
      unionId: union.id,
      assessorId: userId,
      stage: sent.stage,
      measures: sent.measures,
      marks: sent.marks,
      note: sent.note,
      contact: contact.contact,
      contactLeft: contact.left,
      contactRight: contact.right,
      touchingMm: contact.touching,
      runs: contact.ring,
      contactGrade: contactGrade.grade as 'good' | 'poor' | 'fatal',
      contactWords: contactGrade.words,
      fatal: judged.fatal,
      score: judged.score,
      modelVersion: methodById(workshop.method).contactModel,
      rubricId,
      correctsId: sent.correctsId,
      liveCorrectsId: sent.correctsId,
      withdrawnAt: null,
      filledInAt: sent.filledInAt,
      deviceAt: sent.deviceAt,
      recordedAt: now,
      madeAt: madeAt(sent, now),
      blind: corrected?.blind ?? blind,
      seconds: sent.seconds,
      strokes: sent.strokes,
      rescoredBy: null,
      sentHash,
    },
    { transaction },
  );
  await refreshUnionFacts(db, clubId, [union.id], transaction);
  await audit(db, transaction, {
    clubId,
    actorId: userId,
    action: sent.correctsId ? 'judgement corrected' : 'judgement saved',
    subjectId: judgementId,
    at: now,
  });
}

/** No judgement waits on a device for longer, ms: a year. */
const LONGEST_WAIT = 366 * 86_400_000;

/**
 * When it was made, by the server's clock. A device whose clock is a day off shows the same error
 * when it sends as when it judged, so the difference of the two is right.
 */
export function madeAt(
  { deviceAt, sentAt, filledInAt }: Pick<JudgementInput, 'deviceAt' | 'sentAt' | 'filledInAt'>,
  now: Date,
): Date {
  if (filledInAt) return filledInAt;
  const waited = sentAt ? Math.max(0, sentAt.getTime() - deviceAt.getTime()) : 0;
  // A clock set right in between makes the difference worth nothing.
  if (waited > LONGEST_WAIT) return now;
  return new Date(now.getTime() - waited);
}

/** The union of that seat and number, made when it is first spoken of; whether it was made now. */
async function practiceUnion(
  context: Context,
  transaction: Transaction,
  workshopId: string,
  seatId: string,
  number: number,
): Promise<{ union: Pick<UnionRow, 'id' | 'doubleSettledAt' | 'secondWanted' | 'secondSettledAt'>; fresh: boolean }> {
  const {
    db,
    actor: { clubId },
  } = context;
  const id = uuid();
  // One statement that two at once may send: the unique key lets one of them in.
  const [, made] = await db.sequelize.query(
    "INSERT IGNORE INTO unions (id, club_id, workshop_id, seat_id, kind, number) VALUES (:id, :clubId, :workshopId, :seatId, 'practice', :number)",
    {
      replacements: { id, clubId, workshopId, seatId, number },
      transaction,
      type: QueryTypes.INSERT,
    },
  );
  if (made > 0)
    return { union: { id, doubleSettledAt: null, secondWanted: false, secondSettledAt: null }, fresh: true };
  return {
    union: (await db.unions.findOne({
      where: { clubId, workshopId, seatId, kind: 'practice', number },
      transaction,
      raw: true,
    }))!,
    fresh: false,
  };
}

/** What makes two sendings the same judgement; times of sending and of the device's clock do not. */
function hashOfSent({
  workshopId,
  seatId,
  number,
  stage,
  measures,
  marks,
  note,
  correctsId,
  filledInAt,
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
