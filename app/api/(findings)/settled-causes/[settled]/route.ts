import { settleCause, withdrawCause } from '@/server/findings/causes/settle-cause';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => settleCause(context, params.settled!, await body()));

export const DELETE = handle(async (context, { params }) => withdrawCause(context, params.settled!));
