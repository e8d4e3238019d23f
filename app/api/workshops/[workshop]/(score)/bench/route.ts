import { benchChanges, openBench } from '@/server/score/bench';
import { UseCaseError } from '@/server/platform/use-case-error';
import { handle } from '../../../../../_http/handle';

/** The bench as it stands, or with `since` (ms, as `takenAt` was) what changed after that. */
export const GET = handle(async (context, { params, request }) => {
  const since = new URL(request.url).searchParams.get('since');
  if (since === null) return openBench(context, params.workshop!);
  if (!/^\d{1,15}$/.test(since)) throw new UseCaseError('invalid', 'That is no time. Reload the page.');
  return benchChanges(context, params.workshop!, new Date(Number(since)));
});
