import { putLot } from '@/server/plan/wood-ledger';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putLot(context, params.lot!, await body()));
