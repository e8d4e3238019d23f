import { observeUnion, takeObservationBack } from '@/server/aftercare/observe-union';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  observeUnion(context, params.observation!, await body()),
);

export const DELETE = handle(async (context, { params }) => takeObservationBack(context, params.observation!));
