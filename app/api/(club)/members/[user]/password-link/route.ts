import { handOverPassword } from '@/server/club/members';
import { handle } from '../../../../../_http/handle';

export const POST = handle(async (context, { params }) => handOverPassword(context, params.user!));
