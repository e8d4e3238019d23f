'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Waiting } from './device-database';
import { nextTry } from './next-try';
import { sendRound } from './send-round';
import { allWaiting, dropWaiting, onWaiting } from './waiting-queue';

/** In the head of every page: how much this device still keeps for the server. Sends it from here too. */
export function WaitingNotice({ assessorId }: { assessorId: string }) {
  const path = usePathname();
  const [waiting, setWaiting] = useState<Waiting[]>([]);
  // These do it themselves.
  const atBench =
    path.endsWith('/score') || path.endsWith('/score/sheet') || path === '/week' || path.startsWith('/plants/');
  useEffect(() => {
    if (!('indexedDB' in window)) return;
    const read = (): void =>
      void allWaiting().then(
        (all) => setWaiting(all.filter(({ deliveredAt }) => deliveredAt === null)),
        () => undefined,
      );
    read();
    return onWaiting(read);
  }, []);
  const any = waiting.some(({ assessor, refusal }) => assessor.id === assessorId && refusal === null);
  useEffect(() => {
    if (atBench || !any) return;
    return keepSending(assessorId);
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

/** Sends until told to stop, after longer and longer pauses while something stays. */
function keepSending(assessorId: string): () => void {
  let timer: ReturnType<typeof setTimeout>;
  let stopped = false;
  let failures = 0;
  const work = async (): Promise<void> => {
    await sendRound(assessorId);
    await dropWaiting(
      (await allWaiting()).filter(({ deliveredAt }) => deliveredAt !== null).map(({ order }) => order!),
    );
    if (!stopped) timer = setTimeout(() => void work(), nextTry(++failures, Math.random()));
  };
  void work();
  return () => {
    stopped = true;
    clearTimeout(timer);
  };
}
