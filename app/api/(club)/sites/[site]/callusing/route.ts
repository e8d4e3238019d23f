import { takeProposedCallusing } from '@/server/aftercare/warmth/open-graft';
import { handle } from '../../../../../_http/handle';

/** Goes by what opened grafts propose from now on. */
export const PUT = handle(async (context, { params }) => takeProposedCallusing(context, params.site!));
