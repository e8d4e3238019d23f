import { bookWood, freeWood } from '@/server/plan/wood-bookings';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  bookWood(context, params.lot!, params.booking!, await body()),
);
export const DELETE = handle(async (context, { params }) => freeWood(context, params.lot!, params.booking!));
