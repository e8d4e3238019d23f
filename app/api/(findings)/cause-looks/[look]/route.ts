import { lookForCause, takeLookBack } from '@/server/findings/causes/cause-looks';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => lookForCause(context, params.look!, await body()));

export const DELETE = handle(async (context, { params }) => takeLookBack(context, params.look!));
