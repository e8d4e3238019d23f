import { moveWorkshop } from '@/server/plan/workshops';
import { handle } from '../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => moveWorkshop(context, params.workshop!, await body()));
