import { openGraft, takeOpenedBack } from '@/server/aftercare/warmth/open-graft';
import { handle } from '../../../../../../_http/handle';

/** One of a batch that was opened to look. */
export const PUT = handle(async (context, { params, body }) =>
  openGraft(context, params.opened!, params.place!, await body()),
);

export const DELETE = handle(async (context, { params }) => takeOpenedBack(context, params.opened!));
