import { readInboxNow } from '@/server/follow-up/inbox/replies';
import { handle } from '../../../_http/handle';

/** Reads the inbox of the simulated mail service now. */
export const POST = handle(async (context) => readInboxNow(context));
