import { rescoreWorkshop } from '@/server/score/rescoring';
import { handle } from '../../../../../_http/handle';

export const POST = handle(async (context, { params }) => ({
  rescored: await rescoreWorkshop(context, params.workshop!),
}));
