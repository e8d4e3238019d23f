import { addUnion } from '@/server/aftercare/add-union';
import { handle } from '../../../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  addUnion(context, params.workshop!, params.plant!, params.union!, await body()),
);
