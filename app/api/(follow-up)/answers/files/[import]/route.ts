import { importAnswers } from '@/server/follow-up/entering/answers-file';
import { allow } from '@/server/platform/context';
import { handle } from '../../../../../_http/handle';
import { readBytes } from '../../../../../_http/read-body';

const MOST = 1_000_000;

/** Keeps the answers of a file whose lines are without fault; the same import again keeps nothing twice. */
export const PUT = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  return importAnswers(context, params.import!, await readBytes(request, MOST, 'A file of answers has 1 MB at most.'));
});
