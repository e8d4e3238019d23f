import { putStockCount } from '@/server/plan/lots';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putStockCount(context, params.lot!, await body()));
