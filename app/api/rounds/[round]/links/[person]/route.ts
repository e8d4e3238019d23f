import { withdrawLinks } from '@/server/round-messages';
import { handle } from '../../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => withdrawLinks(context, params.round!, params.person!));
