import { stopWriting } from '@/server/grower-page';
import { handlePublic } from '../../../../_http/handle';

export const DELETE = handlePublic(async (services, { params }) => stopWriting(services, params.token!));
