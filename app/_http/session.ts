import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import type { Actor, Context } from '@/server/platform/context';
import { lookingContext } from '@/server/club/looking';
import { actorOf } from '@/server/club/sign-in';
import { publicUrl, services } from './services';

/** Over HTTPS under a name that browsers take for this host alone, and from no page that is not secure. */
export function sessionCookie(): string {
  return publicUrl().startsWith('https:') ? '__Host-pear_bench_session' : 'pear_bench_session';
}

export async function sessionToken(): Promise<string | null> {
  return (await cookies()).get(sessionCookie())?.value ?? null;
}

export async function setSessionCookie(token: string, expires: Date): Promise<void> {
  (await cookies()).set(sessionCookie(), token, {
    httpOnly: true,
    sameSite: 'lax',
    path: '/',
    expires,
    secure: publicUrl().startsWith('https:'),
  });
}

/** The context of whoever looks at a page, once a request. */
const lookingNow = cache(async (): Promise<Context | null> => {
  const token = await sessionToken();
  return token ? lookingContext(services(), token) : null;
});

/** Who is signed in. */
export async function currentActor(): Promise<Actor | null> {
  return (await lookingNow())?.actor ?? null;
}

/** The context of whoever calls a route, which may write; null when nobody is signed in. */
export async function callingContext(looksOnly: boolean): Promise<Context | null> {
  const token = await sessionToken();
  if (!token) return null;
  if (looksOnly) return lookingContext(services(), token);
  const actor = await actorOf(services(), token);
  return actor && { ...services(), actor };
}

/** The context of a page for signed-in people; others are sent to sign in and come back. */
export async function pageContext(): Promise<Context> {
  const context = await lookingNow();
  if (context) return context;
  const path = (await headers()).get('x-path') ?? '/';
  redirect(path === '/' ? '/sign-in' : `/sign-in?next=${encodeURIComponent(path)}`);
}
