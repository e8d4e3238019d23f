import { endSession } from '@/server/club/sessions';
import { handle } from '../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => endSession(context, params.session!));
