import { saveAnswer } from '@/server/follow-up/grower-page';
import { handlePublic } from '../../../../../../_http/handle';

export const PUT = handlePublic(async (services, { params, body }) =>
  saveAnswer(services, params.token!, params.report!, await body()),
);
