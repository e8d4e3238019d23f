import { makeFirstLead } from '@/server/club/members';
import { deviceName } from '../../../_http/device-name';
import { handlePublic } from '../../../_http/handle';
import { setSessionCookie } from '../../../_http/session';

export const POST = handlePublic(async (services, { body, request }) => {
  const { token, expiresAt } = await makeFirstLead(
    services,
    await body(),
    deviceName(request.headers.get('user-agent')),
  );
  await setSessionCookie(token, expiresAt);
});
