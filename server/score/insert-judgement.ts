import { isDeepStrictEqual } from 'node:util';
import { v7 as uuid } from 'uuid';
import { QueryTypes, type Transaction } from 'sequelize';
import { madeWith } from '@/core/methods/made-with';
import type { Method } from '@/core/methods/method';
import type { VariantId } from '@/core/methods/use';
import type { UnionJudgement } from '@/core/score/rubric/judge-union';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import type { SeatRow, WorkshopRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import type { JudgementInput } from './judgement-input';
import { standing } from '@/server/platform/counting-judgement';
import { isDrawn } from './second-looks';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/** What of a union decides how its next judgement is taken. */
type JudgedUnion = Pick<UnionRow, 'id' | 'kind' | 'method' | 'doubleSettledAt' | 'secondWanted' | 'secondSettledAt'>;

/** A judgement as it was sent, with all that it is kept with. */
export interface NewJudgement {
  id: string;
  sent: JudgementInput;
  /** Of what was sent; the same judgement sent again has the same. */
  sentHash: string;
  workshop: WorkshopRow;
  seat: SeatRow;
  /** The keeper that is judged, null for practice. */
  keeper: UnionRow | null;
  method: Method;
  variant: VariantId;
  rubricId: string;
  judged: UnionJudgement;
  /** Share of unions drawn for a second look, 0 to 1. */
  blindRate: number;
}

/** Keeps a judgement, with what it does to its union and to the judgements before it. */
export async function insertJudgement(
  context: Context,
  transaction: Transaction,
  judgement: NewJudgement,
): Promise<void> {
  const { id, sent, sentHash, keeper, method, rubricId, judged, blindRate } = judgement;
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { union, fresh } = keeper
    ? { union: keeper, fresh: false }
    : await practiceUnion(context, transaction, judgement);
  const before = fresh
    ? []
    : standing(await db.judgements.findAll({ where: { clubId, unionId: union.id }, transaction, raw: true }));
  // Blind only if it was still unseen: a second score of one who had seen the first measures nothing.
  const blind = sent.second && hiddenFrom(userId, union, before);
  const corrected = await settleEarlier(context, transaction, sent, { union, before, blind, blindRate });
  const { contact, contactGrade } = judged.assessment;
  await db.judgements.create(
    {
      id,
      clubId,
      unionId: union.id,
      assessorId: userId,
      method: method.id,
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
      modelVersion: method.contactModel,
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
      outlook: sent.outlook,
      outlookBy: sent.outlook && (sent.outlookBy ?? 'assessor'),
      rescoredBy: null,
      sentHash,
    },
    { transaction },
  );
  if (keeper) await followSchools(context, transaction, judgement);
  else if (corrected && union.method !== method.id) await retakeMethod(context, transaction, union.id, judgement);
  await refreshUnionFacts(db, clubId, [union.id], transaction);
  await audit(db, transaction, {
    clubId,
    actorId: userId,
    action: sent.correctsId ? 'judgement corrected' : 'judgement saved',
    subjectId: id,
    at: now,
  });
}

/** No judgement waits on a device for longer, ms: a year. */
const LONGEST_WAIT = 366 * 86_400_000;

/** What a judgement does to those before it; returns the one it corrects. */
async function settleEarlier(
  { db, actor: { clubId, userId }, now }: Context,
  transaction: Transaction,
  { correctsId, stage }: JudgementInput,
  {
    union,
    before,
    blind,
    blindRate,
  }: { union: JudgedUnion; before: JudgementRow[]; blind: boolean; blindRate: number },
): Promise<JudgementRow | null> {
  if (correctsId) {
    const corrected = await db.judgements.findOne({ where: { clubId, id: correctsId }, transaction, raw: true });
    if (!corrected || corrected.unionId !== union.id) throw notFound('The judgement to correct');
    if (hiddenFrom(userId, union, before)) throw notFound('The judgement to correct');
    if (corrected.withdrawnAt)
      throw new UseCaseError('conflict', 'The judgement to correct was taken back meanwhile. Save this as a new one.');
    return corrected;
  }
  if (blind) {
    await db.unions.update({ secondSettledAt: now }, { where: { clubId, id: union.id }, transaction });
  } else if (union.kind === 'practice' && before.length === 0 && isDrawn(union.id, blindRate)) {
    await db.unions.update({ secondWanted: true }, { where: { clubId, id: union.id }, transaction });
  } else if (union.doubleSettledAt && before.some((earlier) => earlier.stage === stage)) {
    // A further assessor after the lead had settled: the question is open again.
    await db.unions.update({ doubleSettledAt: null }, { where: { clubId, id: union.id }, transaction });
  }
  return null;
}

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

/** What a union of the workshop is made with, as columns. */
function makingOf({
  method,
  variant,
  workshop,
}: NewJudgement): Pick<UnionRow, 'method' | 'variant' | 'schools' | 'materials'> {
  return { method: method.id, variant, ...madeWith(method, workshop.schools, variant) };
}

/** A keeper is judged by the schools its workshop follows, and so it was made by them. */
async function followSchools(
  { db, actor: { clubId } }: Context,
  transaction: Transaction,
  judgement: NewJudgement,
): Promise<void> {
  // It may live on otherwise than others of the day.
  const { method, workshop, keeper } = judgement;
  const { schools } = madeWith(method, workshop.schools, keeper!.variant);
  if (isDeepStrictEqual(judgement.keeper!.schools, schools)) return;
  await db.unions.update({ schools }, { where: { clubId, id: judgement.keeper!.id }, transaction });
}

/** A correction says that a union was of another method than it was taken for. */
async function retakeMethod(
  { db, actor: { clubId } }: Context,
  transaction: Transaction,
  unionId: string,
  judgement: NewJudgement,
): Promise<void> {
  await db.unions.update(makingOf(judgement), { where: { clubId, id: unionId }, transaction });
}

/** The union of that seat and number, made when it is first spoken of; whether it was made now. */
async function practiceUnion(
  context: Context,
  transaction: Transaction,
  judgement: NewJudgement,
): Promise<{ union: JudgedUnion; fresh: boolean }> {
  const {
    db,
    actor: { clubId },
  } = context;
  const { workshop, seat, sent } = judgement;
  const making = makingOf(judgement);
  const called = { clubId, workshopId: workshop.id, seatId: seat.id, number: sent.number };
  const id = uuid();
  // One statement that two at once may send: the unique key lets one of them in.
  const [, made] = await db.sequelize.query(
    `INSERT IGNORE INTO unions
       (id, club_id, workshop_id, seat_id, kind, number, method, variant, schools, materials, made_on, maker_id)
     VALUES (:id, :clubId, :workshopId, :seatId, 'practice', :number, :method, :variant, :schools, :materials, :madeOn, :makerId)`,
    {
      replacements: {
        id,
        ...called,
        ...making,
        schools: JSON.stringify(making.schools),
        materials: JSON.stringify(making.materials),
        madeOn: workshop.date,
        makerId: seat.personId,
      },
      transaction,
      type: QueryTypes.INSERT,
    },
  );
  if (made > 0) {
    const fresh = { doubleSettledAt: null, secondWanted: false, secondSettledAt: null };
    return { union: { id, kind: 'practice', method: making.method, ...fresh }, fresh: true };
  }
  const union = await db.unions.findOne({ where: { ...called, kind: 'practice' }, transaction, raw: true });
  return { union: union!, fresh: false };
}
