'use client';

import { useEffect, useState, type ComponentType } from 'react';
import { AccountButton } from './account-button';
import type { AccountChoices } from './account-choices';

/**
 * Name and club of who is signed in. What opens below the name stands on every page and is seldom
 * opened, so it comes after the page can be used; a press before that is not lost.
 */
export function AccountMenu({ name, clubName, role }: { name: string; clubName: string; role: string }) {
  const [Choices, setChoices] = useState<ComponentType<Parameters<typeof AccountChoices>[0]> | null>(null);
  const [wanted, setWanted] = useState(false);
  useEffect(() => {
    // Without reception it may not come; what is in it needs the server anyhow.
    void import('./account-choices').then(
      (loaded) => setChoices(() => loaded.AccountChoices),
      () => undefined,
    );
  }, []);
  if (Choices) return <Choices name={name} clubName={clubName} role={role} open={wanted} />;
  return <AccountButton name={name} aria-haspopup="menu" aria-expanded={false} onClick={() => setWanted(true)} />;
}
