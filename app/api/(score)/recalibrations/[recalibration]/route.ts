import { answerRecalibration } from '@/server/score/recalibration';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  answerRecalibration(context, params.recalibration!, await body()),
);
