import { previewRubric } from '@/server/score/rubric-editor';
import { handle } from '../../../../../_http/handle';

/** Saves nothing; a POST because a rubric is too long for an address. */
export const POST = handle(async (context, { params, body }) => previewRubric(context, params.method!, await body()));
