import { array, object } from 'yup';
import { allow, type Context } from '@/server/platform/context';
import { databaseIsAway, isNoId } from '@/server/platform/database-is-away';
import { id } from '@/core/inputs/fields';
import { putJudgement } from './judgements';
import { type ScoredDay, scoredDay } from './scored-day';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';

/** What became of one judgement of a batch; the status is the one it would have had by itself. */
export interface BatchResult {
  id: string;
  status: number;
  message?: string;
  fields?: Record<string, string>;
  /** What went wrong on the server, for its log. */
  fault?: unknown;
}

const MOST = 50;
const batchInput = object({
  judgements: array(object({ id: id('the judgement') }).required('A judgement is missing.'))
    .required('Send judgements.')
    .min(1, 'Send at least one judgement.')
    .max(MOST, `Send ${MOST} judgements at most.`),
});

/**
 * Saves judgements that waited on a device, each by its own id and in its own transaction, in the
 * order given: one that is refused keeps none of the others back.
 *
 * @throws the error that says so when the database is away: then nothing more can be saved.
 */
export async function putJudgements(context: Context, input: unknown): Promise<BatchResult[]> {
  allow(context, 'assistant');
  parse(batchInput, input);
  // What each holds is for its own saving to check, so that one that is damaged refuses itself alone.
  const { judgements } = input as { judgements: ({ id: string } & Record<string, unknown>)[] };
  const results: BatchResult[] = [];
  const day = scoredDay(context);
  for (const { id: judgementId, ...body } of judgements) results.push(await resultOf(context, judgementId, body, day));
  return results;
}

async function resultOf(context: Context, judgementId: string, body: object, day: ScoredDay): Promise<BatchResult> {
  try {
    await putJudgement(context, judgementId, body, day);
    return { id: judgementId, status: 200 };
  } catch (error) {
    if (error instanceof UseCaseError)
      return { id: judgementId, status: error.status, message: error.message, fields: error.fields };
    if (isNoId(error))
      return { id: judgementId, status: 404, message: 'What this names was not found in this club.', fields: {} };
    if (databaseIsAway(error)) throw error;
    return { id: judgementId, status: 500, fault: error };
  }
}
