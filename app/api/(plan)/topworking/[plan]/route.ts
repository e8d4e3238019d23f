import { putPlan } from '@/server/plan/topworking';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: (await putPlan(context, params.plan!, await body())).version,
}));
