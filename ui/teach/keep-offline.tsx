'use client';

import { useEffect, useState } from 'react';
import { keepPage } from '@/ui/kit/device/keep-page';

/** Keeps this page and what it is made of in the browser, so that it opens without reception; says whether it could. */
export function KeepOffline() {
  const [kept, setKept] = useState<'no' | 'yes' | 'cannot'>('no');
  useEffect(() => {
    const heard = (event: MessageEvent): void => {
      if ((event.data as { kept?: string }).kept === location.href) setKept('yes');
    };
    navigator.serviceWorker?.addEventListener('message', heard);
    keepPage(location.href, '/cards/').then(
      (can) => {
        if (!can) setKept('cannot');
      },
      () => setKept('cannot'),
    );
    return () => navigator.serviceWorker?.removeEventListener('message', heard);
  }, []);
  return (
    <p role="status" className="mt-4 text-muted">
      {kept === 'yes'
        ? 'Kept on this phone: it opens without reception.'
        : kept === 'cannot'
          ? 'This browser cannot keep the card; leave the page open.'
          : 'Being kept on this phone…'}
    </p>
  );
}
