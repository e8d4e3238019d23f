import { addCutLook } from '@/server/score/cut-looks';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  addCutLook(context, params.union!, params.look!, await body()),
);
