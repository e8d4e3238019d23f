import { makeCalendarAddress, withdrawCalendarAddress } from '@/server/club/calendar-address';
import { handle } from '../../../_http/handle';

export const POST = handle(async (context) => makeCalendarAddress(context));

export const DELETE = handle(async (context) => withdrawCalendarAddress(context));
