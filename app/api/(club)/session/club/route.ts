import { changeClub } from '@/server/club/sessions';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { body }) => changeClub(context, await body()));
