import { kitCsv, kitPdf, putKit } from '@/server/plan/quantities';
import { fileResponse, handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putKit(context, params.workshop!, await body()),
}));

/** The kit list as a file: PDF, or CSV when that is asked for. */
export const GET = handle(async (context, { params, request }) => {
  const asked = Object.fromEntries(new URL(request.url).searchParams);
  if (asked.format === 'csv')
    return fileResponse(await kitCsv(context, params.workshop!), 'text/csv; charset=utf-8', 'kit.csv');
  return fileResponse(await kitPdf(context, params.workshop!, asked), 'application/pdf', 'kit.pdf', 'inline');
});
