import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import type { UnionRow } from '@/db/models/union-rows';
import type { Database } from '@/db/database';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { getRound, todayAt } from './rounds';
import { listRounds } from '@/server/plan/rounds-of-workshop';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { enteredInput, type AnswerInput } from '@/core/follow-up/answer-input';

/** Answers to one union and round that can meet before one of them is given up. */
const TRIES = 20;

interface Entry {
  clubId: string;
  round: RoundRow;
  reportId: string;
  answer: AnswerInput;
  /** The day it was seen, at the site. */
  seenOn: string;
  source: ReportRow['source'];
  enteredBy: string | null;
  now: Date;
}

/** Adds an answer; earlier ones stay and the last counts. An id that was saved already changes nothing. */
export async function addReport(
  db: Database,
  { clubId, round, reportId, answer, seenOn, source, enteredBy, now }: Entry,
): Promise<void> {
  const union: UnionRow | null = await db.unions.findOne({
    where: { clubId, workshopId: round.workshopId, kind: 'keeper', id: answer.unionId },
    raw: true,
  });
  if (!union) throw notFound('The plant');
  for (let attempt = 1; ; attempt++) {
    const known = await db.reports.findOne({ where: { clubId, id: reportId }, raw: true });
    if (known) return confirmReplay(known, answer, seenOn);
    try {
      return await transact(db, async (transaction) => {
        const where = { clubId, unionId: union.id, roundId: round.id };
        const before = (await db.reports.max('turn', { where, transaction })) as number | null;
        await db.reports.create(
          {
            ...where,
            id: reportId,
            turn: (before ?? 0) + 1,
            answer: answer.answer,
            note: answer.note,
            seenOn,
            source,
            enteredBy,
            recordedAt: now,
          },
          { transaction },
        );
        await refreshUnionFacts(db, clubId, [union.id], transaction);
        await audit(db, transaction, {
          clubId,
          actorId: enteredBy,
          action: 'report saved',
          subjectId: reportId,
          at: now,
        });
      });
    } catch (error) {
      // The same answer came twice at once, or another took the turn: looked at again.
      if (!isDuplicate(error) || attempt === TRIES) throw error;
    }
  }
}

/**
 * The day something was seen: the one that was said, else today at the site.
 *
 * @throws UseCaseError for a day still to come, or before the union was made.
 */
export function seenDay(said: string, madeOn: string, today: string): string {
  if (said === '') return today;
  if (said > today)
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was seen.', {
      seenOn: 'Still to come.',
    });
  if (said < madeOn)
    throw new UseCaseError('invalid', 'It was seen before it was made? Check the day.', {
      seenOn: 'Before it was made.',
    });
  return said;
}

function confirmReplay(known: ReportRow, answer: AnswerInput, seenOn: string): void {
  // Sent again after midnight it is the same answer: a day counts only where one was said.
  const sameDay = answer.seenOn === '' || known.seenOn === seenOn;
  if (known.unionId === answer.unionId && known.answer === answer.answer && known.note === answer.note && sameDay)
    return;
  throw new UseCaseError(
    'conflict',
    'This answer was saved already with other content. Reload the page and answer again.',
  );
}

/** Enters an answer that came by phone or on a slip. The instructor may do so after the round has closed, and so settle a contradiction. */
export async function enterReport(context: Context, reportId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  parse(id('the answer'), reportId);
  const values = parse(enteredInput, input, now);
  const round = await getRound(context, values.roundId);
  const union = await db.unions.findOne({
    where: { clubId, workshopId: round.workshopId, id: values.unionId },
    raw: true,
  });
  if (!union) throw notFound('The plant');
  const seenOn = seenDay(values.seenOn, union.madeOn, await todayAt(context, round.workshopId));
  await addReport(db, {
    clubId,
    round,
    reportId,
    answer: values,
    seenOn,
    source: values.source,
    enteredBy: userId,
    now,
  });
}

/** The last answer of each union to each round of a workshop. */
export async function latestReports(context: Context, workshopId: string): Promise<ReportRow[]> {
  const rounds = await listRounds(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const reports = await db.reports.findAll({
    where: { clubId, roundId: rounds.map((round) => round.id) },
    order: [['turn', 'ASC']],
    raw: true,
  });
  return [...new Map(reports.map((report) => [`${report.unionId} ${report.roundId}`, report])).values()];
}
