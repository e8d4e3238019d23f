import { handOn } from '@/server/aftercare/hand-on';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => handOn(context, params.action!, await body()));
