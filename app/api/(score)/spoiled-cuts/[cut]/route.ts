import { putSpoiledCut, takeSpoiledCutBack } from '@/server/score/spoiled-cuts';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putSpoiledCut(context, params.cut!, await body()));

export const DELETE = handle(async (context, { params }) => takeSpoiledCutBack(context, params.cut!));
