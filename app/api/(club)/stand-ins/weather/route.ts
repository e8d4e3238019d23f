import { orderWeather } from '@/server/plan/order-weather';
import { handle } from '../../../../_http/handle';

/** A hot spell or a frost of the simulated weather service, to try things. */
export const PUT = handle(async (context, { body }) => orderWeather(context, await body()));
