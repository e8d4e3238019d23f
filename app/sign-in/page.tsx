import type { Metadata } from 'next';
import Link from 'next/link';
import { redirect } from 'next/navigation';
import { needsFirstLead } from '@/server/club/members';
import { AccountForm } from '@/ui/club/account-form';
import { FrontDrawing } from '@/ui/club/front-drawing';
import { ownPath } from '../_http/own-path';
import { publicUrl, services } from '../_http/services';
import { currentActor } from '../_http/session';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignIn({ searchParams }: { searchParams: Promise<{ next?: string | string[] }> }) {
  const goTo = ownPath((await searchParams).next, publicUrl());
  if (await needsFirstLead(services())) redirect('/first-lead');
  if (await currentActor()) redirect(goTo);
  return (
    <main className="mx-auto grid min-h-dvh max-w-4xl content-center items-center gap-8 p-6 sm:grid-cols-[1fr_20rem]">
      <FrontDrawing />
      <div>
        <h1 className="mb-1">Pear Bench</h1>
        <p className="mb-5 text-muted">Grafting workshops: planned, scored and followed up.</p>
        <AccountForm
          url="/api/session"
          next={goTo}
          button="Sign in"
          entries={[
            { name: 'email', label: 'E-mail', type: 'email', autoComplete: 'username' },
            { name: 'password', label: 'Password', type: 'password', autoComplete: 'current-password' },
          ]}
        />
        <p className="mt-4 text-sm">
          <Link href="/forgotten">Forgotten your password?</Link>
        </p>
      </div>
    </main>
  );
}
