'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { send } from '../form/send';
import type { Waiting } from './device-database';
import { sendWaiting } from './send-waiting';
import { allWaiting, dropWaiting, onWaiting } from './waiting-queue';

const RETRY = 15_000;

/** In the head of every page: how much this device still keeps for the server. Sends it from here too. */
export function WaitingNotice({ assessorId }: { assessorId: string }) {
  const path = usePathname();
  const [waiting, setWaiting] = useState<Waiting[]>([]);
  // The bench does this itself.
  const atBench = path.endsWith('/score') || path.endsWith('/score/sheet');
  useEffect(() => {
    if (!('indexedDB' in window)) return;
    const read = (): void => void allWaiting().then((all) => setWaiting(all.filter(({ deliveredAt }) => deliveredAt === null)), () => undefined);
    read();
    return onWaiting(read);
  }, []);
  const any = waiting.some(({ assessor, refusal }) => assessor.id === assessorId && refusal === null);
  useEffect(() => {
    if (atBench || !any) return;
    const work = async (): Promise<void> => {
      await sendWaiting(assessorId, send, Date.now);
      await dropWaiting((await allWaiting()).filter(({ deliveredAt }) => deliveredAt !== null).map(({ order }) => order!));
    };
    void work();
    const often = setInterval(() => void work(), RETRY);
    return () => clearInterval(often);
  }, [any, atBench, assessorId]);
  if (waiting.length === 0 || atBench) return null;
  return <Link href={`/workshops/${waiting[0]!.workshopId}/score`} className="border-2 border-ink px-2 text-sm font-bold whitespace-nowrap no-underline">{waiting.length} wait on this device</Link>;
}
