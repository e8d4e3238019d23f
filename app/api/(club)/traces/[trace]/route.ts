import { settleTrace } from '@/server/club/name-traces';
import { handle } from '../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => settleTrace(context, params.trace!));
