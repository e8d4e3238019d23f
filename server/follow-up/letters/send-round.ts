import { number, object } from 'yup';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { askedGrowers, getRound } from '../rounds';
import { type LettersWritten, writeLetters } from './write-letters';

const sendInput = object({ sentSoFar: number().strict().required('Reload the page and send again.').integer().min(0) });

/**
 * Writes to everyone of a round who may be written to and has not told of all their plants: the first time to all, later as
 * a reminder with a new link. A letter asks all that is due of a person, of other rounds and days too. `sentSoFar` is the
 * count of messages the sender saw: if it changed meanwhile, somebody else has just sent, and nothing is sent twice.
 */
export async function sendRound(context: Context, roundId: string, input: unknown): Promise<LettersWritten> {
  allow(context, 'assistant');
  const round = await getRound(context, roundId);
  const { sentSoFar } = parse(sendInput, input);
  const { db, actor } = context;
  if ((await db.messages.count({ where: { clubId: actor.clubId, roundId } })) !== sentSoFar)
    throw new UseCaseError(
      'conflict',
      'Somebody has sent messages of this round meanwhile. Reload the page to see who was written to.',
    );
  const growers = await askedGrowers(context, round);
  return writeLetters(
    context,
    growers.flatMap(({ person }) => person?.id ?? []),
    {
      wanted: ({ asks }) => asks.some(({ asked }) => asked.due!.roundId === roundId),
      actorId: actor.userId,
      subjectId: roundId,
    },
  );
}
