import { putJudgement, withdrawJudgement } from '@/server/score/judgements';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => {
  const { id, unionId, score } = await putJudgement(context, params.judgement!, await body());
  return { id, unionId, score };
});

export const DELETE = handle(async (context, { params }) => withdrawJudgement(context, params.judgement!));
