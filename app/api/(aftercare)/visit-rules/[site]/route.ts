import { putVisitRule } from '@/server/aftercare/visits';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putVisitRule(context, params.site!, await body()));
