import { settleDoubt } from '@/server/aftercare/places/lost-tags';
import { handle } from '../../../../../_http/handle';

/** It is sure again which plant it is. */
export const DELETE = handle(async (context, { params }) => settleDoubt(context, params.plant!));
