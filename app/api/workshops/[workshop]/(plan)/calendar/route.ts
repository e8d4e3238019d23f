import { workshopCalendar } from '@/server/plan/calendar';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params }) =>
  fileResponse(await workshopCalendar(context, params.workshop!), 'text/calendar; charset=utf-8', 'workshop.ics'),
);
