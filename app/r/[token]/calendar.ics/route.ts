import { growerCalendar } from '@/server/follow-up/grower/grower-calendar';
import { growerRefusal, nonceOf } from '../../../_http/grower-pages';
import { calendarResponse } from '../../../_http/calendar-response';
import { services } from '../../../_http/services';

/** The plants of whoever holds the link as a calendar to subscribe to. */
export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const opening = { services: services(), token, nonce: nonceOf(request) };
  try {
    return calendarResponse(await growerCalendar(opening.services, token));
  } catch (error) {
    return growerRefusal(error, opening);
  }
}
