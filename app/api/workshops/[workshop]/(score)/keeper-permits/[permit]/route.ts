import { permitKeepers } from '@/server/score/keeper-permits';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  permitKeepers(context, params.workshop!, params.permit!, await body()),
);
