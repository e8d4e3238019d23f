import { printCards } from '@/server/score/cards';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) =>
  fileResponse(
    await printCards(context, params.workshop!, Object.fromEntries(new URL(request.url).searchParams)),
    'application/pdf',
    'cards.pdf',
    'inline',
  ),
);
