import { openDeath } from '@/server/findings/causes/open-death';
import { handle } from '../../../../_http/handle';

/** A death with all that speaks for and against its causes. */
export const GET = handle(async (context, { params, request }) =>
  openDeath(context, params.union!, new URL(request.url).searchParams.has('overYears')),
);
