import { readReplyAgain, settleReply } from '@/server/follow-up/inbox/replies';
import { handle } from '../../../../_http/handle';

/** Somebody has looked at a reply that could not be read. */
export const PATCH = handle(async (context, { params }) => settleReply(context, params.reply!));

/** Reads a letter again that could not be read before. */
export const POST = handle(async (context, { params }) => readReplyAgain(context, params.reply!));
