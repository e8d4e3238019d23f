import { swapSeats } from '@/server/plan/seats';
import { handle } from '../../../../../_http/handle';

export const POST = handle(async (context, { params, body }) => swapSeats(context, params.workshop!, await body()));
