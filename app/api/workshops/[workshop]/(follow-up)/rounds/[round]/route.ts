import { addRound } from '@/server/follow-up/rounds';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  addRound(context, params.workshop!, params.round!, await body()),
);
