import { putRoom } from '@/server/plan/bench-plan';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putRoom(context, params.workshop!, await body()),
}));
