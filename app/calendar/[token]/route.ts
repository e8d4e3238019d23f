import { memberCalendar } from '@/server/follow-up/asks/member-calendar';
import { calendarResponse } from '../../_http/calendar-response';
import { services } from '../../_http/services';

/** A member's calendar under its private address; unknown and withdrawn ones look alike. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const file = await memberCalendar(services(), token.replace(/\.ics$/, ''));
  return file === null
    ? new Response('This address opens no calendar. Make a new one on the page of your account.\n', { status: 404 })
    : calendarResponse(file);
}
