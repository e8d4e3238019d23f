import { forgetWeather } from '@/server/plan/enter-weather';
import { handle } from '../../../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => forgetWeather(context, params.site!, params.day!));
