import { asksWithoutWinter } from '@/core/follow-up/asks/without-winter';
import { col, fn, type Transaction } from 'sequelize';
import { type AnswerInput, growthTyped } from '@/core/follow-up/answer-input';
import { askedSigns, signsOfChoices } from '@/core/follow-up/signs/asked-signs';
import { countingAnswers } from '@/core/findings/take/counting-answers';
import { groupedBy } from '@/core/units/grouped-by';
import { countedAnswer } from '@/core/follow-up/signs/counted-answer';
import { contradicts } from '@/core/follow-up/signs/contradicts';
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

/** An answer to one union, as whoever may answer it sent it: the caller has checked whose it is. */
export interface SentAnswer {
  asked: AskedUnion;
  answer: AnswerInput;
  arrival: Arrival;
  /** The round it answers; the one that is due, or else the latest that asked, where none is named. */
  roundId?: string | undefined;
}

/** A report without what only its keeping tells: its turn among those of its union and round. */
type NewReport = Omit<ReportRow, 'seq' | 'turn'>;

/** A report that is to be kept, with the length that was told, mm. */
interface ReadReport {
  row: NewReport;
  height: number | null;
}

/**
 * Reads an answer by the signs of its day and keeps it; earlier ones stay and the last counts. An id that was saved already
 * changes nothing. A length that was told is a height of its plan, too.
 */
export async function keepAnswer(context: Context, sent: SentAnswer): Promise<KeptAnswer> {
  return (await keepAnswers(context, [sent]))[0]!;
}

/** Keeps several answers in one transaction: all of them, or none where one cannot be read. */
export async function keepAnswers(context: Context, sent: readonly SentAnswer[]): Promise<KeptAnswer[]> {
  const read = sent.map((each) => readAnswer(context, each));
  const reports = await addReports(context, read);
  return read.map(({ round, secondTry }, i) => ({ report: reports[i]!, round, secondTry }));
}

function readAnswer(
  { actor: { clubId }, now }: Context,
  { asked, answer, arrival, roundId }: SentAnswer,
): ReadReport & Omit<KeptAnswer, 'report'> {
  const round = roundId ? asked.rounds.find((each) => each.id === roundId) : roundToAnswer(asked);
  if (!round) throw new GrowerError('invalid', 'error.not-asked');
  const seenOn = seenDay(answer.seenOn, asked.union.madeOn, asked.today);
  const signs = signsTold(asked, answer, round.milestone);
  if (Object.keys(signs).length === 0 && answer.said === '')
    throw new GrowerError('invalid', 'error.nothing', {}, { said: 'error.nothing' });
  if (contradicts(answer.said, signs)) throw new GrowerError('invalid', 'error.both', {}, { said: 'error.both' });
  const when = asked.seenWhen(seenOn);
  const question = questionOfRound(asked.variant, round.milestone);
  // The page of a grower asks how it is; everybody else is asked what the round asks.
  const howIsIt = arrival.source === 'link';
  const counted = countedAnswer(
    { kind: round.milestone, question, signs, said: answer.said, howIsIt },
    when,
    asked.signDays,
  );
  const row: NewReport = {
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
  return { row, height: growthTyped(answer.growth, answer.growthUnit), round, secondTry: counted.secondTry };
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
  const groups = askedSigns(asked.signVariant, kind, asked.signDays.grown, !asksWithoutWinter(asked.variant));
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

async function addReports(context: Context, read: readonly ReadReport[]): Promise<ReportRow[]> {
  const {
    db,
    actor: { clubId },
    now,
  } = context;
  const ids = read.map(({ row }) => row.id);
  const sent = new Map<string, ReadReport>();
  for (const each of read) {
    const twin = sent.get(each.row.id);
    if (twin) confirmReplay(twin.row, each.row);
    else sent.set(each.row.id, each);
  }
  for (let attempt = 1; ; attempt++) {
    const known = new Map(
      (await db.reports.findAll({ where: { clubId, id: ids }, raw: true })).map((report) => [report.id, report]),
    );
    for (const [reportId, report] of known) confirmReplay(report, sent.get(reportId)!.row);
    const fresh = [...sent.values()].filter(({ row }) => !known.has(row.id));
    try {
      const added = fresh.length === 0 ? [] : await transact(db, (transaction) => insert(fresh, transaction));
      const all = new Map([...known, ...added.map((report) => [report.id, report] as const)]);
      return ids.map((reportId) => all.get(reportId)!);
    } catch (error) {
      // The same answer came twice at once, or another took the turn: looked at again.
      if (!isDuplicate(error) || attempt === TRIES) throw error;
    }
  }
  async function insert(fresh: readonly ReadReport[], transaction: Transaction): Promise<ReportRow[]> {
    const rows = await withTurns(
      context,
      fresh.map(({ row }) => row),
      transaction,
    );
    await db.reports.bulkCreate(rows, { transaction });
    await keepHeights(context, fresh, transaction);
    await refreshUnionFacts(db, clubId, [...new Set(rows.map(({ unionId }) => unionId))], transaction);
    await audit(
      db,
      transaction,
      ...rows.map(({ enteredBy, id: subjectId }) => ({
        clubId,
        actorId: enteredBy,
        action: 'report saved',
        subjectId,
        at: now,
      })),
    );
    return rows.map((row) => ({ ...row, seq: 0 }));
  }
}

/** Each after the last one of its union and round. */
async function withTurns(
  { db, actor: { clubId } }: Context,
  rows: readonly NewReport[],
  transaction: Transaction,
): Promise<Omit<ReportRow, 'seq'>[]> {
  const before = await db.reports.findAll({
    where: { clubId, unionId: [...new Set(rows.map(({ unionId }) => unionId))] },
    attributes: ['unionId', 'roundId', [fn('MAX', col('turn')), 'turn']],
    group: ['unionId', 'roundId'],
    transaction,
    raw: true,
  });
  const last = new Map(before.map(({ unionId, roundId, turn }) => [`${unionId} ${roundId}`, turn]));
  return rows.map((row) => {
    const key = `${row.unionId} ${row.roundId}`;
    const turn = (last.get(key) ?? 0) + 1;
    last.set(key, turn);
    return { ...row, turn };
  });
}

/** A height that was measured moves the plan of its plant. */
async function keepHeights({ db }: Context, read: readonly ReadReport[], transaction: Transaction): Promise<void> {
  const rows = read.flatMap(({ row, height }) =>
    height === null
      ? []
      : {
          id: row.id,
          clubId: row.clubId,
          unionId: row.unionId,
          kind: 'height' as const,
          about: '',
          lengthMm: height,
          note: '',
          seenOn: row.seenOn,
          seenBy: row.enteredBy,
          recordedAt: row.recordedAt,
          takenBackAt: null,
        },
  );
  if (rows.length > 0) await db.unionObservations.bulkCreate(rows, { transaction });
}

/**
 * The day something was seen: the one that was said, else today at the site.
 *
 * @throws GrowerError for a day still to come, or before the union was made.
 */
export function seenDay(said: string, madeOn: IsoDate, today: IsoDate): IsoDate {
  // A graft of a day still to come: nothing can have been seen of it.
  if (today < madeOn) throw new GrowerError('invalid', 'error.before-made', {}, { seenOn: 'error.before-made' });
  if (said === '') return today;
  if (said > today) throw new GrowerError('invalid', 'error.still-to-come', {}, { seenOn: 'error.still-to-come' });
  if (said < madeOn) throw new GrowerError('invalid', 'error.before-made', {}, { seenOn: 'error.before-made' });
  return said;
}

function confirmReplay(known: NewReport, sent: NewReport): void {
  const told = ({ unionId, said, note, signs }: typeof sent): string =>
    JSON.stringify([unionId, said, note, Object.entries(signs ?? {}).sort()]);
  // Sent again after midnight it is the same answer, so days are not compared.
  if (told(known) !== told(sent)) throw new GrowerError('conflict', 'error.again');
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

/** The counting answer of each union to each round of a workshop, without those that were set aside. */
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
  const answers = groupedBy(reports, ({ unionId, roundId }) => `${unionId} ${roundId}`);
  return [...answers.values()].flatMap((own) => countingAnswers(own).at(-1) ?? []);
}
