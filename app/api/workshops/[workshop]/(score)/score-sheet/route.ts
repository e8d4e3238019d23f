import { printScoreSheet } from '@/server/score/print-score-sheet';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) => {
  const query = Object.fromEntries(new URL(request.url).searchParams);
  return fileResponse(
    await printScoreSheet(context, params.workshop!, query),
    'application/pdf',
    'score-sheet.pdf',
    'inline',
  );
});
