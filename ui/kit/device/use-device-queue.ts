'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useState, useTransition } from 'react';
import type { Waiting } from './device-database';
import { type Link, useSender } from './use-sender';
import { useWaiting } from './use-waiting';
import { allWaiting, dropWaiting, type NewWaiting } from './waiting-queue';

export interface DeviceQueue {
  waiting: Waiting[] | null;
  link: Link;
  /** Keeps something on the device and sends it as soon as it can go. */
  keep: (item: NewWaiting) => Promise<void>;
  sendNow: () => Promise<void>;
}

/** What waits on this device, for a page that is made by the server: what was delivered is dropped, and the page asked for anew. */
export function useDeviceQueue(me: string): DeviceQueue {
  const router = useRouter();
  const [link, setLink] = useState<Link>('online');
  const [, startRefresh] = useTransition();
  const { waiting, keep } = useWaiting();
  const refresh = useCallback(async (): Promise<void> => {
    setLink('online');
    const delivered = (await allWaiting()).filter(({ deliveredAt }) => deliveredAt !== null);
    await dropWaiting(delivered.map(({ order }) => order!));
    startRefresh(() => router.refresh());
  }, [router]);
  const sendNow = useSender(me, waiting, { refresh, setLink });
  return {
    waiting,
    link,
    keep: async (item) => {
      await keep(item);
      void sendNow();
    },
    sendNow,
  };
}
