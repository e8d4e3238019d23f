import { putSourceYear } from '@/server/plan/wood-sources';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  putSourceYear(context, params.source!, params.year!, await body()),
);
