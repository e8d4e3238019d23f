import { weatherCsv } from '@/server/plan/site-weather';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params }) =>
  fileResponse(await weatherCsv(context, params.site!), 'text/csv; charset=utf-8', 'weather.csv'),
);
