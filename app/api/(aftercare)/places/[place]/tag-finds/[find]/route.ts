import { keepTagFind, lookForTag } from '@/server/aftercare/places/lost-tags';
import { handle } from '../../../../../../_http/handle';

/** Looks which plant it is, without keeping anything. */
export const POST = handle(async (context, { params, body }) => lookForTag(context, params.place!, await body()));

export const PUT = handle(async (context, { params, body }) =>
  keepTagFind(context, params.place!, params.find!, await body()),
);
