import { putLand } from '@/server/aftercare/places/put-place';
import { handle } from '../../../../../_http/handle';

/** Whose land it is, and the leave that was given. */
export const PUT = handle(async (context, { params, body }) => putLand(context, params.place!, await body()));
