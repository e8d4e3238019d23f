import { noteLeafed } from '@/server/aftercare/warmth/note-leafed';
import { handle } from '../../../../../../_http/handle';

/** A batch that leafed out in the warmth. */
export const PUT = handle(async (context, { params, body }) =>
  noteLeafed(context, params.place!, params.action!, await body()),
);
