import { changeMember } from '@/server/club/members';
import { handle } from '../../../../_http/handle';

export const PATCH = handle(async (context, { params, body }) => changeMember(context, params.user!, await body()));
