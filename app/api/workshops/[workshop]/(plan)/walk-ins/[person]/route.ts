import { addWalkIn } from '@/server/plan/seats';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  addWalkIn(context, params.workshop!, params.person!, await body()),
);
