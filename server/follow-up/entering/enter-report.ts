import { enteredInput } from '@/core/follow-up/answer-input';
import type { AnswerBack } from '@/core/follow-up/grower/grower-page';
import { ENGLISH } from '@/core/follow-up/wording/english';
import { id } from '@/core/inputs/fields';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { backTo } from '../grower/answer-back';
import { askedUnion, keepAnswer, roundToAnswer, seenDay } from '../reports';
import { keepToldDeath } from '../told-death';

/**
 * Enters an answer that came by phone, on a visit, a slip or a bed list; the same id twice is one answer.
 *
 * @returns what can be said back to whoever told it, while they are still on the line
 */
export async function enterReport(context: Context, reportId: string, input: unknown): Promise<AnswerBack> {
  allow(context, 'assistant');
  const { actor, now } = context;
  parse(id('the answer'), reportId);
  const { source, cameOn, roundId, ...answer } = parse(enteredInput, input, now);
  const asked = await askedUnion(context, answer.unionId);
  if (cameOn !== '' && cameOn > asked.today)
    throw new UseCaseError('invalid', 'It came on a day still to come? Check the day.', { cameOn: 'Still to come.' });
  // A death is news on any day, whether or not a round asks.
  if (!roundId && answer.said === 'dead' && !roundToAnswer(asked)) {
    const seenOn = seenDay(answer.seenOn, asked.union.madeOn, asked.today);
    await keepToldDeath(context, asked, { id: reportId, seenOn, note: answer.note, enteredBy: actor.userId });
    const report = { reading: 'dead', why: null, nextLookOn: null, said: 'dead' } as const;
    return backTo(context, asked, { report, secondTry: true }, ENGLISH);
  }
  const arrival = { reportId, source, enteredBy: actor.userId, cameOn: cameOn || null };
  const kept = await keepAnswer(context, { asked, answer, arrival, roundId: roundId ?? undefined });
  return backTo(context, asked, kept, ENGLISH);
}
