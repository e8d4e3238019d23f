import { eraseMe } from '@/server/follow-up/grower-page';
import { handlePublic } from '../../../../../_http/handle';

export const DELETE = handlePublic(async (services, { params }) => eraseMe(services, params.token!));
