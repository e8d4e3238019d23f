import { putSecondUnion } from '@/server/aftercare/second-union';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  putSecondUnion(context, params.plant!, params.union!, await body()),
);
