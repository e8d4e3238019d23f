import { confirmSession } from '@/server/club/sessions';
import { handle } from '../../../../_http/handle';

export const POST = handle(async (context, { body }) => confirmSession(context, await body()));
