import { printBedList } from '@/server/follow-up/print-bed-list';
import { fileResponse, handle } from '../../../../../_http/handle';

/** What stands there, to be looked at and ticked, on paper. */
export const GET = handle(async (context, { params, request }) =>
  fileResponse(
    await printBedList(context, params.place!, { paper: new URL(request.url).searchParams.get('paper') ?? undefined }),
    'application/pdf',
    'bed-list.pdf',
    'inline',
  ),
);
