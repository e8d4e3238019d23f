import { makeFirstLead } from '@/server/members';
import { handlePublic } from '../../_http/handle';
import { setSessionCookie } from '../../_http/session';

export const POST = handlePublic(async (services, { body }) => {
  const { token, expiresAt } = await makeFirstLead(services, await body());
  await setSessionCookie(token, expiresAt);
});
