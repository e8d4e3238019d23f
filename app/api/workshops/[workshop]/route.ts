import { putWorkshop } from '@/server/plan/workshops';
import { handle } from '../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  id: (await putWorkshop(context, params.workshop!, await body())).id,
}));
