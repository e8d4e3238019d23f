import { acknowledge, withdrawAcknowledgement } from '@/server/teach/briefing';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  acknowledge(context, params.workshop!, params.person!, await body()),
);
export const DELETE = handle(async (context, { params }) =>
  withdrawAcknowledgement(context, params.workshop!, params.person!),
);
