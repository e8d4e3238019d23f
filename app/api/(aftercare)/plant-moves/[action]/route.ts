import { movePlants } from '@/server/aftercare/places/move-plants';
import { takeMoveBack } from '@/server/aftercare/places/take-move-back';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => movePlants(context, params.action!, await body()), {
  mostJson: 3_000_000,
});

export const DELETE = handle(async (context, { params }) => takeMoveBack(context, params.action!));
