import { printHandout } from '@/server/teach/handouts';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) =>
  fileResponse(
    await printHandout(context, params.method!, Object.fromEntries(new URL(request.url).searchParams)),
    'application/pdf',
    `${params.method}-handout.pdf`,
    'inline',
  ),
);
