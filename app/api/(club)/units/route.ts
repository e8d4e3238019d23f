import { changeUnits } from '@/server/club/members';
import { handle } from '../../../_http/handle';

export const PUT = handle(async (context, { body }) => changeUnits(context, await body()));
