import { addCheck } from '@/server/plan/wood-ledger';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  addCheck(context, params.lot!, params.check!, await body()),
);
