import { putEdges } from '@/server/plan/edges';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putEdges(context, params.workshop!, await body()),
}));
