import { findCards } from '@/server/follow-up/entering/find-cards';
import { handle } from '../../../../_http/handle';

/** Grafts to enter answers for, by a code, a name or a place. */
export const GET = handle(async (context, { request }) =>
  findCards(context, new URL(request.url).searchParams.get('search') ?? ''),
);
