import { addStockLot, chooseStockLot, dropLot } from '@/server/plan/lots';
import { handle } from '../../../../../../_http/handle';

/** Adds a lot and chooses it for the workshop. */
export const PUT = handle(async (context, { params, body }) =>
  addStockLot(context, params.workshop!, params.lot!, await body()),
);

/** Chooses a lot that the club has already. */
export const POST = handle(async (context, { params }) => chooseStockLot(context, params.workshop!, params.lot!));

export const DELETE = handle(async (context, { params }) => dropLot(context, params.workshop!, 'stock', params.lot!));
