import { watchPlace } from '@/server/aftercare/places/put-place';
import { handle } from '../../../../../_http/handle';

/** How a callus place is watched. */
export const PUT = handle(async (context, { params, body }) => watchPlace(context, params.place!, await body()));
