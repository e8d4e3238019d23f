import { putPairs } from '@/server/plan/measured-wood';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putPairs(context, params.workshop!, await body()),
}));
