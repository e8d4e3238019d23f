import type { Metadata } from 'next';
import Link from 'next/link';
import { ForgottenForm } from '@/ui/club/forgotten-form';

export const metadata: Metadata = { title: 'Forgotten password' };

export default function Forgotten() {
  return (
    <main className="mx-auto flex max-w-md flex-col gap-4 p-6">
      <h1>A new password</h1>
      <p>Enter the address you sign in with. A letter with a link goes there; it works for 20 minutes and once.</p>
      <ForgottenForm />
      <p className="border-l-4 border-ink pl-3 text-sm">
        <strong>Simulated.</strong> No mail service is connected: the letter is written as an .eml file to the outbox
        folder of this installation, where whoever runs it finds it.
      </p>
      <p>
        <Link href="/sign-in">Back to signing in</Link>
      </p>
    </main>
  );
}
