'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** How often it is asked whether there are new readings, ms. */
const EVERY = 4000;

/** Reads the page anew once the logger has told more; asks nothing while nobody looks. */
export function LiveRefresh({ placeId, readings }: { placeId: string; readings: number }) {
  const router = useRouter();
  useEffect(() => {
    let gone = false;
    const ask = async (): Promise<void> => {
      if (document.hidden) return;
      const answer = await fetch(`/api/places/${placeId}/readings`).catch(() => null);
      if (gone || !answer?.ok) return;
      const now = (await answer.json()) as { readings: number };
      if (!gone && now.readings !== readings) router.refresh();
    };
    const timer = setInterval(() => void ask(), EVERY);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [placeId, readings, router]);
  return null;
}
