import { putScoringSettings } from '@/server/score/scoring-settings';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putScoringSettings(context, params.workshop!, await body()),
}));
