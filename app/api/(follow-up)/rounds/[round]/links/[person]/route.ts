import { withdrawLinks } from '@/server/follow-up/letters/links';
import { handle } from '../../../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => withdrawLinks(context, params.round!, params.person!));
