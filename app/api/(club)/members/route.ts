import { addMember } from '@/server/club/members';
import { handle } from '../../../_http/handle';

export const POST = handle(async (context, { body }) => addMember(context, await body()));
