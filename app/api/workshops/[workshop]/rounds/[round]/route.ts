import { addRound } from '@/server/rounds';
import { handle } from '../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => addRound(context, params.workshop!, params.round!, await body()));
