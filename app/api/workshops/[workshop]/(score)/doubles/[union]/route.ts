import { settleDouble } from '@/server/score/doubles';
import { handle } from '../../../../../../_http/handle';

export const POST = handle(async (context, { params, body }) =>
  settleDouble(context, params.workshop!, params.union!, await body()),
);
