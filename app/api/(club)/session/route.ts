import { cookies } from 'next/headers';
import { keepSession } from '@/server/club/sessions';
import { signIn, signOut } from '@/server/club/sign-in';
import { deviceName } from '../../../_http/device-name';
import { handle, handlePublic } from '../../../_http/handle';
import { sessionCookie, sessionToken, setSessionCookie } from '../../../_http/session';

export const POST = handlePublic(async (services, { body, request }) => {
  const { token, expiresAt } = await signIn(
    services,
    await body(),
    request.headers.get('x-client-address') ?? 'unknown',
    deviceName(request.headers.get('user-agent')),
  );
  await setSessionCookie(token, expiresAt);
});

/** What its device says of a session: that it keeps a bench. */
export const PUT = handle(async (context, { body }) => keepSession(context, await body()));

export const DELETE = handlePublic(async (services) => {
  const token = await sessionToken();
  if (token) await signOut(services, token);
  (await cookies()).delete(sessionCookie());
});
