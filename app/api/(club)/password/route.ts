import { changePassword } from '@/server/club/passwords';
import { handle } from '../../../_http/handle';

export const PUT = handle(async (context, { body }) => changePassword(context, await body()));
