import { reportFile } from '@/server/findings/report/report-files';
import { fileResponse, handle } from '../../../../../_http/handle';

/** Pages of a report, the poster, the letters, or a table. */
export const GET = handle(async (context, { params, request }) => {
  const { bytes, type } = await reportFile(
    context,
    params.file!,
    Object.fromEntries(new URL(request.url).searchParams),
  );
  return fileResponse(bytes, type, params.file!, type === 'application/pdf' ? 'inline' : 'attachment');
});
