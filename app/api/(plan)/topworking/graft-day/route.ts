import { graftDay } from '@/server/plan/topworking';
import { handle } from '../../../../_http/handle';

/** What is in season on the day a tree is to be grafted. */
export const GET = handle(async (context, { request }) =>
  graftDay(context, Object.fromEntries(new URL(request.url).searchParams)),
);
