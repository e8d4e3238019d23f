import { doorSheet } from '@/server/plan/bench-plan';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) =>
  fileResponse(
    await doorSheet(context, params.workshop!, Object.fromEntries(new URL(request.url).searchParams)),
    'application/pdf',
    'door.pdf',
    'inline',
  ),
);
