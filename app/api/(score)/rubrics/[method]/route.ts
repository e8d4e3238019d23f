import { putRubricEdits } from '@/server/score/rubric-editor';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => ({
  version: await putRubricEdits(context, params.method!, await body()),
}));
