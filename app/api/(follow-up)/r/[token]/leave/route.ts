import { stopWriting } from '@/server/follow-up/grower-page';
import { handlePublic } from '../../../../../_http/handle';

export const DELETE = handlePublic(async (services, { params }) => stopWriting(services, params.token!));
