import { previewAnswers } from '@/server/follow-up/entering/answers-file';
import { allow } from '@/server/platform/context';
import { handle } from '../../../../_http/handle';
import { readBytes } from '../../../../_http/read-body';

const MOST = 1_000_000;

/** What a file of answers would do; nothing is kept. */
export const POST = handle(async (context, { request }) => {
  allow(context, 'assistant');
  return previewAnswers(context, await readBytes(request, MOST, 'A file of answers has 1 MB at most.'));
});
