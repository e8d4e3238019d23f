import { keepHappenings } from '@/server/aftercare/plant-happenings';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => keepHappenings(context, params.action!, await body()));
