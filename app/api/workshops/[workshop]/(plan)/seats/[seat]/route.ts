import { changeSeat } from '@/server/plan/seats';
import { handle } from '../../../../../../_http/handle';

export const PATCH = handle(async (context, { params, body }) =>
  changeSeat(context, params.workshop!, params.seat!, await body()),
);
