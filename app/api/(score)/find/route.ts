import { findPerson } from '@/server/score/find-person';
import { handle } from '../../../_http/handle';

export const GET = handle(async (context, { request }) => ({
  found: await findPerson(context, { q: new URL(request.url).searchParams.get('q') ?? '' }),
}));
