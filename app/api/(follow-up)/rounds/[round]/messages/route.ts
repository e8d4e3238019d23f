import { sendRound } from '@/server/follow-up/letters/send-round';
import { handle } from '../../../../../_http/handle';

export const POST = handle(async (context, { params, body }) => sendRound(context, params.round!, await body()));
