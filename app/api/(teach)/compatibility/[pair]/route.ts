import { putPairing, withdrawPairing } from '@/server/teach/compatibility';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putPairing(context, params.pair!, await body()));
export const DELETE = handle(async (context, { params }) => withdrawPairing(context, params.pair!));
