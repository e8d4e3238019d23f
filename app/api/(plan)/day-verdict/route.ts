import { dayVerdict } from '@/server/plan/day-verdict';
import { handle } from '../../../_http/handle';

/** Whether a method can be done on a day at a site, asked while a workshop is being planned. */
export const GET = handle(async (context, { request }) =>
  dayVerdict(context, Object.fromEntries(new URL(request.url).searchParams)),
);
