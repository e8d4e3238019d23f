import { landSlip } from '@/server/aftercare/places/print-place';
import { fileResponse, handle } from '../../../../../_http/handle';

/** The slip for whoever owns the land. */
export const GET = handle(async (context, { params, request }) =>
  fileResponse(
    await landSlip(context, params.place!, { paper: new URL(request.url).searchParams.get('paper') ?? undefined }),
    'application/pdf',
    'grafts-on-your-land.pdf',
    'inline',
  ),
);
