import { setAsksAlone } from '@/server/follow-up/follow-up';
import { handle } from '../../../../../_http/handle';

/** Has letters of the follow-up written by themselves, or ends it. */
export const PUT = handle(async (context, { params, body }) => setAsksAlone(context, params.workshop!, await body()));
