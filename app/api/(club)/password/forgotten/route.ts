import { forgotPassword } from '@/server/club/passwords';
import { handlePublic } from '../../../../_http/handle';

export const POST = handlePublic(async (services, { body }) => forgotPassword(services, await body()));
