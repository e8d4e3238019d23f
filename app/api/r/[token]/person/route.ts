import { eraseMe } from '@/server/grower-page';
import { handlePublic } from '../../../../_http/handle';

export const DELETE = handlePublic(async (services, { params }) => eraseMe(services, params.token!));
