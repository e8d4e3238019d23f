import { closeSecondLooks } from '@/server/score/second-looks';
import { handle } from '../../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => ({
  closed: await closeSecondLooks(context, params.workshop!),
}));
