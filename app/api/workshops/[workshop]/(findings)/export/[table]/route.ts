import { EXPORTS, exportCsv, type ExportName } from '@/server/findings/exports';
import { notFound } from '@/server/platform/use-case-error';
import { fileResponse, handle } from '../../../../../../_http/handle';

export const GET = handle(async (context, { params }) => {
  const name = EXPORTS.find((known) => known === params.table!.replace(/\.csv$/, ''));
  if (!name) throw notFound('This table');
  return fileResponse(
    await exportCsv(context, params.workshop!, name as ExportName),
    'text/csv; charset=utf-8',
    `${name}.csv`,
  );
});
