import { addObservation, withdrawObservation } from '@/server/club/sites';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  addObservation(context, params.site!, params.observation!, await body()),
);
export const DELETE = handle(async (context, { params }) =>
  withdrawObservation(context, params.site!, params.observation!),
);
