import { putPlannedMethods } from '@/server/plan/planned-methods';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putPlannedMethods(context, params.workshop!, await body()),
}));
