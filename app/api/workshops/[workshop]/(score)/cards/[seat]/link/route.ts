import { makeCardLink } from '@/server/score/cards';
import { handle } from '../../../../../../../_http/handle';

export const POST = handle(async (context, { params }) => makeCardLink(context, params.workshop!, params.seat!));
