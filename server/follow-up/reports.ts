import type { Transaction } from 'sequelize';
import { type AnswerInput, growthTyped } from '@/core/follow-up/answer-input';
import { askedSigns, signsOfChoices } from '@/core/follow-up/signs/asked-signs';
import { countedAnswer } from '@/core/follow-up/signs/counted-answer';
import type { Signs } from '@/core/follow-up/signs/signs';
import type { WayIn } from '@/core/follow-up/way-in';
import { questionOfRound } from '@/core/follow-up/round-question';
import type { RoundKind } from '@/core/methods/milestones';
import { addDays, type IsoDate } from '@/core/units/iso-date';
import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import { isDuplicate, transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import type { Context } from '@/server/platform/context';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound } from '@/server/platform/use-case-error';
import { listRounds } from '@/server/plan/rounds-of-workshop';
import { type AskedUnion, askedUnions } from './asks/asked-unions';
import { GrowerError } from './grower/grower-error';

/** Answers to one union and round that can meet before one of them is given up. */
const TRIES = 20;

/** How an answer came. */
export interface Arrival {
  reportId: string;
  source: WayIn;
  enteredBy: string | null;
  /** The day it came; null for today at the site. */
  cameOn: IsoDate | null;
}

/** What is kept of an answer, and what is said back. */
export interface KeptAnswer {
  report: ReportRow;
  round: RoundRow;
  secondTry: boolean;
}

/**
 * Reads an answer by the signs of its day and keeps it; earlier ones stay and the last counts. An id that was saved already
 * changes nothing. A length that was told is a height of its plan, too.
 *
 * @param asked of whoever may answer it: the caller has checked whose it is
 * @param roundId the round it answers; the one that is due, or else the latest that asked, where none is given
 */
export async function keepAnswer(
  context: Context,
  asked: AskedUnion,
  answer: AnswerInput,
  arrival: Arrival,
  roundId?: string,
): Promise<KeptAnswer> {
  const round = roundId ? asked.rounds.find((each) => each.id === roundId) : roundToAnswer(asked);
  if (!round) throw new GrowerError('invalid', 'error.not-asked');
  const { actor, now } = context;
  const { clubId } = actor;
  const seenOn = seenDay(answer.seenOn, asked.union.madeOn, asked.today);
  const signs = signsTold(asked, answer, round.milestone);
  if (Object.keys(signs).length === 0 && answer.said === '')
    throw new GrowerError('invalid', 'error.nothing', {}, { said: 'error.nothing' });
  const when = asked.seenWhen(seenOn);
  const question = questionOfRound(asked.variant, round.milestone);
  const counted = countedAnswer({ kind: round.milestone, question, signs, said: answer.said }, when, asked.signDays);
  const row: Omit<ReportRow, 'seq' | 'turn'> = {
    id: arrival.reportId,
    clubId,
    unionId: asked.union.id,
    roundId: round.id,
    answer: counted.answer,
    said: answer.said,
    signs,
    reading: counted.reading,
    why: counted.why,
    usualDay: when.day,
    nextLookOn: nextLook(asked, counted.nextLook, seenOn),
    note: answer.note,
    seenOn,
    source: arrival.source,
    enteredBy: arrival.enteredBy,
    cameOn: arrival.cameOn ?? asked.today,
    recordedAt: now,
    setAsideAt: null,
    setAsideBy: null,
    setAsideWhy: '',
  };
  const height = growthTyped(answer.growth, answer.growthUnit);
  const report = await addReport(context, row, height);
  return { report, round, secondTry: counted.secondTry };
}

/** The round an answer is to: what is due, else what is asked again, else the latest that asked. */
export function roundToAnswer({ due, asks, rounds, today }: AskedUnion): RoundRow | undefined {
  const again = asks.find(({ state, roundId }) => state === 'again' && roundId !== null);
  const wanted = due?.roundId ?? again?.roundId;
  if (wanted) return rounds.find(({ id: roundId }) => roundId === wanted);
  return rounds.filter(({ opensOn }) => opensOn <= today).at(-1);
}

/** The signs that were told; a length that was measured goes before "at least". */
function signsTold(asked: AskedUnion, answer: AnswerInput, kind: RoundKind): Signs {
  const groups = askedSigns(asked.signVariant, kind, asked.signDays.grown);
  const chosen = signsOfChoices(groups, answer.signs);
  if (chosen === null) throw new GrowerError('invalid', 'error.choice', {}, { signs: 'error.choice' });
  const length = growthTyped(answer.growth, answer.growthUnit);
  if (Number.isNaN(length)) throw new GrowerError('invalid', 'error.growth', {}, { growth: 'error.growth' });
  return {
    ...chosen,
    ...(length === null ? {} : { growth: length }),
    ...(answer.snapped ? { snapped: true as const } : {}),
  };
}

/** The date of the next look: no earlier than the day after this one. */
function nextLook(asked: AskedUnion, day: number | null, seenOn: IsoDate): IsoDate | null {
  if (day === null) return null;
  const on = asked.dateOf(day);
  return on > seenOn ? on : addDays(seenOn, 1);
}

async function addReport(
  context: Context,
  row: Omit<ReportRow, 'seq' | 'turn'>,
  height: number | null,
): Promise<ReportRow> {
  const {
    db,
    actor: { clubId },
    now,
  } = context;
  for (let attempt = 1; ; attempt++) {
    const known = await db.reports.findOne({ where: { clubId, id: row.id }, raw: true });
    if (known) return confirmReplay(known, row);
    try {
      return await transact(db, async (transaction) => {
        const where = { clubId, unionId: row.unionId, roundId: row.roundId };
        const before = (await db.reports.max('turn', { where, transaction })) as number | null;
        const turn = (before ?? 0) + 1;
        await db.reports.create({ ...row, turn }, { transaction });
        if (height !== null) await keepHeight(context, row, height, transaction);
        await refreshUnionFacts(db, clubId, [row.unionId], transaction);
        await audit(db, transaction, {
          clubId,
          actorId: row.enteredBy,
          action: 'report saved',
          subjectId: row.id,
          at: now,
        });
        return { ...row, turn, seq: 0 };
      });
    } catch (error) {
      // The same answer came twice at once, or another took the turn: looked at again.
      if (!isDuplicate(error) || attempt === TRIES) throw error;
    }
  }
}

/** A height that was measured moves the plan of its plant. */
async function keepHeight(
  { db }: Context,
  { id: reportId, clubId, unionId, seenOn, enteredBy, recordedAt }: Omit<ReportRow, 'seq' | 'turn'>,
  height: number,
  transaction: Transaction,
): Promise<void> {
  await db.unionObservations.create(
    {
      id: reportId,
      clubId,
      unionId,
      kind: 'height',
      about: '',
      lengthMm: height,
      note: '',
      seenOn,
      seenBy: enteredBy,
      recordedAt,
      takenBackAt: null,
    },
    { transaction },
  );
}

/**
 * The day something was seen: the one that was said, else today at the site.
 *
 * @throws GrowerError for a day still to come, or before the union was made.
 */
export function seenDay(said: string, madeOn: IsoDate, today: IsoDate): IsoDate {
  if (said === '') return today;
  if (said > today) throw new GrowerError('invalid', 'error.still-to-come', {}, { seenOn: 'error.still-to-come' });
  if (said < madeOn) throw new GrowerError('invalid', 'error.before-made', {}, { seenOn: 'error.before-made' });
  return said;
}

function confirmReplay(known: ReportRow, sent: Omit<ReportRow, 'seq' | 'turn'>): ReportRow {
  const told = ({ unionId, said, note, signs }: typeof sent): string =>
    JSON.stringify([unionId, said, note, Object.entries(signs ?? {}).sort()]);
  // Sent again after midnight it is the same answer, so days are not compared.
  if (told(known) === told(sent)) return known;
  throw new GrowerError('conflict', 'error.again');
}

/** One keeper of the club with what it is asked. */
export async function askedUnion(context: Context, unionId: string): Promise<AskedUnion> {
  const { db, actor } = context;
  const union = await db.unions.findOne({
    where: { clubId: actor.clubId, id: unionId, kind: 'keeper' },
    attributes: ['plantId'],
    raw: true,
  });
  const found = union?.plantId ? await askedUnions(context, { plantIds: [union.plantId] }) : [];
  const asked = found.find((each) => each.union.id === unionId);
  if (!asked) throw notFound('The plant');
  return asked;
}

/** The last answer of each union to each round of a workshop, without those that were set aside. */
export async function latestReports(context: Context, workshopId: string): Promise<ReportRow[]> {
  const rounds = await listRounds(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const reports = await db.reports.findAll({
    where: { clubId, roundId: rounds.map((round) => round.id), setAsideAt: UNSET },
    order: [['turn', 'ASC']],
    raw: true,
  });
  return [...new Map(reports.map((report) => [`${report.unionId} ${report.roundId}`, report])).values()];
}
