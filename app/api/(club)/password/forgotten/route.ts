import { forgotPassword } from '@/server/club/passwords';
import { handlePublic } from '../../../../_http/handle';

export const POST = handlePublic(async (services, { body, request }) =>
  forgotPassword(services, await body(), request.headers.get('x-client-address') ?? 'unknown'),
);
