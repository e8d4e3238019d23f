import { putWorkshopAway } from '@/server/plan/workshops';
import { handle } from '../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  putWorkshopAway(context, params.workshop!, await body()),
);
