import { modelView } from '@/server/findings/models/model-view';
import { handle } from '../../../../_http/handle';

/** A model of some keepers: done, or how far it is reckoned. */
export const GET = handle(async (context, { params, request }) =>
  modelView(context, params.model, Object.fromEntries(new URL(request.url).searchParams)),
);
