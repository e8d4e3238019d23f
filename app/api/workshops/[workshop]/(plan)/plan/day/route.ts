import { putDayPlan } from '@/server/plan/day-plan';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putDayPlan(context, params.workshop!, await body()),
}));
