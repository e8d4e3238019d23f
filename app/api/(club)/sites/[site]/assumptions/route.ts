import { putAssumptions } from '@/server/club/sites';
import { handle } from '../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putAssumptions(context, params.site!, await body()));
