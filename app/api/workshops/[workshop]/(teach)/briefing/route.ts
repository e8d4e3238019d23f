import { putBriefing } from '@/server/teach/briefing';
import { handle } from '../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => putBriefing(context, params.workshop!, await body()));
