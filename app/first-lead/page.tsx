import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { needsFirstLead } from '@/server/club/members';
import { AccountForm } from '@/ui/club/account-form';
import { services } from '../_http/services';

export const metadata: Metadata = { title: 'First account' };

export default async function FirstLead() {
  if (!(await needsFirstLead(services()))) redirect('/sign-in');
  return (
    <main className="mx-auto max-w-md p-6">
      <h1 className="mb-1">Set up your club</h1>
      <p className="mb-5 text-muted">
        This installation is empty. Make the account of the club&apos;s lead; assistants and viewers can be added
        afterwards.
      </p>
      <AccountForm
        url="/api/first-lead"
        next="/week"
        button="Make the club"
        entries={[
          { name: 'club', label: 'Name of the club', type: 'text', autoComplete: 'organization' },
          { name: 'name', label: 'Your name', type: 'text', autoComplete: 'name' },
          { name: 'email', label: 'Your e-mail', type: 'email', autoComplete: 'username' },
          {
            name: 'password',
            label: 'Password',
            type: 'password',
            autoComplete: 'new-password',
            hint: '12 characters or more, and not a common one.',
          },
        ]}
      />
    </main>
  );
}
