import { settleContradiction } from '@/server/follow-up/settle';
import { handle } from '../../../../../_http/handle';

/** Sets answers aside that contradict others. */
export const PUT = handle(async (context, { params, body }) =>
  settleContradiction(context, params.union!, await body()),
);
