import { simulatedLogCsv } from '@/server/plan/simulated-log';
import { fileResponse, handle } from '../../../../_http/handle';

export const GET = handle(async (context, { request }) => {
  const asked = new URL(request.url).searchParams;
  return fileResponse(
    simulatedLogCsv(context, { ...Object.fromEntries(asked), faults: asked.getAll('faults') }),
    'text/csv; charset=utf-8',
    'simulated-log.csv',
  );
});
