import { plantingOrder } from '@/server/aftercare/places/print-place';
import { fileResponse, handle } from '../../../../../_http/handle';

/** What stands there in planting order, on paper. */
export const GET = handle(async (context, { params, request }) =>
  fileResponse(
    await plantingOrder(context, params.place!, { paper: new URL(request.url).searchParams.get('paper') ?? undefined }),
    'application/pdf',
    'planting-order.pdf',
    'inline',
  ),
);
