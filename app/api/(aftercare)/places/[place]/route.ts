import { putPlace, putPlaceAway } from '@/server/aftercare/places/put-place';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => {
  const { version } = await putPlace(context, params.place!, await body());
  return { version };
});

export const DELETE = handle(async (context, { params }) => putPlaceAway(context, params.place!));
