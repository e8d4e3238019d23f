'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { forgetKeptPages } from '@/ui/kit/device/keep-page';
import { send } from '@/ui/kit/form/send';

/** Name and club, with what belongs to the person who is signed in. */
export function AccountMenu({ name, clubName, role }: { name: string; clubName: string; role: string }) {
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
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="inline-flex min-h-11 cursor-pointer items-center gap-1.5 px-2 font-bold whitespace-nowrap">
        {name}
        <ChevronDown aria-hidden className="size-4" />
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
