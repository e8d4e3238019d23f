import { cookies } from 'next/headers';
import { signIn, signOut } from '@/server/sign-in';
import { handlePublic } from '../../_http/handle';
import { SESSION_COOKIE, sessionToken, setSessionCookie } from '../../_http/session';

export const POST = handlePublic(async (services, { body, request }) => {
  const { token, expiresAt } = await signIn(services, await body(), request.headers.get('x-client-address') ?? 'unknown');
  await setSessionCookie(token, expiresAt);
});

export const DELETE = handlePublic(async (services) => {
  const token = await sessionToken();
  if (token) await signOut(services, token);
  (await cookies()).delete(SESSION_COOKIE);
});
