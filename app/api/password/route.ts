import { changePassword } from '@/server/passwords';
import { handle } from '../../_http/handle';

export const PUT = handle(async (context, { body }) => changePassword(context, await body()));
