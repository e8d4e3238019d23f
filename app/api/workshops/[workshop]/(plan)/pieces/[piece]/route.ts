import { addPiece, removePiece } from '@/server/plan/measured-wood';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  addPiece(context, params.workshop!, params.piece!, await body()),
);
export const DELETE = handle(async (context, { params }) => removePiece(context, params.workshop!, params.piece!));
