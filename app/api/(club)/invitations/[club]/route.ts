import { answerInvitation } from '@/server/club/invitations';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => answerInvitation(context, params.club!, await body()));
