import { saveAnswer } from '@/server/follow-up/grower/save-answers';
import { handleGrower } from '../../../../../../_http/handle-grower';

export const PUT = handleGrower(async (services, { params, body }) =>
  saveAnswer(services, params.token!, params.report!, await body()),
);
