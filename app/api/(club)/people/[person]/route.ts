import { erasePerson } from '@/server/club/erase-person';
import { handle } from '../../../../_http/handle';

export const DELETE = handle(async (context, { params }) => erasePerson(context, params.person!));
