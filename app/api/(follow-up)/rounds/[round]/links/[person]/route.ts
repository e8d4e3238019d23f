import { withdrawLinks } from '@/server/follow-up/round-messages';
import { handle } from '../../../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => withdrawLinks(context, params.round!, params.person!));
