import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import type { Actor, Context } from '@/server/context';
import { actorOf } from '@/server/sign-in';
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
    httpOnly: true, sameSite: 'lax', path: '/', expires, secure: publicUrl().startsWith('https:'),
  });
}

/** Who is signed in, once a request. */
export const currentActor = cache(async (): Promise<Actor | null> => {
  const token = await sessionToken();
  return token ? actorOf(services(), token) : null;
});

/** The context of a page for signed-in people; others are sent to sign in and come back. */
export async function pageContext(): Promise<Context> {
  const actor = await currentActor();
  if (!actor) {
    const path = (await headers()).get('x-path') ?? '/';
    redirect(path === '/' ? '/sign-in' : `/sign-in?next=${encodeURIComponent(path)}`);
  }
  return { ...services(), actor };
}
