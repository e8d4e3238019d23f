'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { forgetKeptPages } from '@/ui/kit/device/keep-page';
import { send } from '@/ui/kit/form/send';
import { AccountButton } from './account-button';

interface AccountChoicesProps {
  name: string;
  clubName: string;
  role: string;
  /** It was asked for before it was there. */
  open: boolean;
}

/** What belongs to the person who is signed in, below their name. */
export function AccountChoices({ name, clubName, role, open }: AccountChoicesProps) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const signOut = async (): Promise<void> => {
    const sent = await send('DELETE', '/api/session');
    if (!sent.ok) return setProblem(sent.message);
    await forgetKeptPages().catch(() => undefined);
    router.replace('/sign-in');
    // Pages kept in memory belong to the session that has ended.
    router.refresh();
  };
  return (
    <DropdownMenu.Root defaultOpen={open}>
      <DropdownMenu.Trigger asChild>
        <AccountButton name={name} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className="z-50 min-w-56 border-2 border-ink bg-sheet p-1">
          <DropdownMenu.Label className="px-3 py-2 text-sm text-muted">
            {role} of {clubName}
          </DropdownMenu.Label>
          {[
            ['/wood', 'Wood'],
            ['/sites', 'Sites'],
            ['/account', 'Your account'],
            ['/club', 'Club and units'],
            ['/outbox', 'Outbox (simulated)'],
          ].map(([href, label]) => (
            <DropdownMenu.Item key={href} asChild>
              <Link
                href={href!}
                className="block px-3 py-2 no-underline data-[highlighted]:bg-mist data-[highlighted]:outline-none"
              >
                {label}
              </Link>
            </DropdownMenu.Item>
          ))}
          {problem && (
            <p role="alert" className="max-w-56 px-3 py-2 font-bold text-loud">
              {problem}
            </p>
          )}
          <DropdownMenu.Item
            onSelect={(event) => {
              event.preventDefault();
              void signOut();
            }}
            className="cursor-pointer px-3 py-2 data-[highlighted]:bg-mist data-[highlighted]:outline-none"
          >
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
