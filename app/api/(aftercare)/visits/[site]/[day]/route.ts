import { visitSheetAsPdf } from '@/server/aftercare/visits';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) =>
  fileResponse(
    await visitSheetAsPdf(context, params.site!, params.day!, {
      paper: new URL(request.url).searchParams.get('paper') ?? undefined,
    }),
    'application/pdf',
    `visit-${params.day!}.pdf`,
    'inline',
  ),
);
