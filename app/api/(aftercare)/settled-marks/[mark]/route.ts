import { settleMark } from '@/server/aftercare/settle-mark';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params }) => settleMark(context, params.mark!));
