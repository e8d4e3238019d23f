import { putSource } from '@/server/plan/wood-sources';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putSource(context, params.source!, await body()));
