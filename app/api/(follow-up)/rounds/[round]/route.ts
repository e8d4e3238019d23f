import { moveClosing } from '@/server/follow-up/rounds';
import { handle } from '../../../../_http/handle';

export const PATCH = handle(async (context, { params, body }) => moveClosing(context, params.round!, await body()));
