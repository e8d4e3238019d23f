'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Waiting } from './device-database';

/** In the head of every page: how much this device still keeps for the server. Sends it from here too. */
export function WaitingNotice({ assessorId }: { assessorId: string }) {
  const path = usePathname();
  const [waiting, setWaiting] = useState<Waiting[]>([]);
  // These do it themselves.
  const atBench =
    path.endsWith('/score') || path.endsWith('/score/sheet') || path === '/week' || path.startsWith('/plants/');
  useEffect(() => {
    if (!('indexedDB' in window)) return;
    return whileShown(async () => {
      // Most pages have nothing to send: what keeps and sends is loaded after them.
      const { allWaiting, onWaiting } = await import('./waiting-queue');
      const read = (): void =>
        void allWaiting().then(
          (all) => setWaiting(all.filter(({ deliveredAt }) => deliveredAt === null)),
          () => undefined,
        );
      read();
      return onWaiting(read);
    });
  }, []);
  const any = waiting.some(({ assessor, refusal }) => assessor.id === assessorId && refusal === null);
  useEffect(() => {
    if (atBench || !any) return;
    return whileShown(async () => (await import('./keep-sending')).keepSending(assessorId));
  }, [any, atBench, assessorId]);
  if (waiting.length === 0 || atBench) return null;
  return (
    <Link
      href={waiting[0]!.workshopId === '' ? '/week' : `/workshops/${waiting[0]!.workshopId}/score`}
      className="border-2 border-ink px-2 text-sm font-bold whitespace-nowrap no-underline"
    >
      {waiting.length} wait on this device
    </Link>
  );
}

/** Begins something that has to be loaded first, and ends it when the page is left, even before it began. */
function whileShown(begin: () => Promise<() => void>): () => void {
  let end: (() => void) | null = null;
  let left = false;
  begin().then(
    (stop) => {
      if (left) stop();
      else end = stop;
    },
    // Without reception nothing could be sent either.
    () => undefined,
  );
  return () => {
    left = true;
    end?.();
  };
}
