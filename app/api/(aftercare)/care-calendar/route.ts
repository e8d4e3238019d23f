import { careCalendar } from '@/server/aftercare/care-calendar';
import { fileResponse, handle } from '../../../_http/handle';

export const GET = handle(async (context) =>
  fileResponse(await careCalendar(context), 'text/calendar; charset=utf-8', 'care-of-grafts.ics'),
);
