import { putPlanVariant } from '@/server/plan/plan-variant';
import { handle } from '../../../../../../_http/handle';

/** How the unions of a planned method are meant to live on. */
export const PUT = handle(async (context, { params, body }) => ({
  version: await putPlanVariant(context, params.workshop!, await body()),
}));
