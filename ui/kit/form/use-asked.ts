import { useEffect, useState } from 'react';

/** How long after the last key the server is asked, ms. */
const PAUSE = 400;

/**
 * What the server says to an address, asked once nobody has typed for a moment; null until it is known, for the address of before,
 * and without reception.
 *
 * @param address null while there is nothing to ask
 */
export function useAsked<Answer>(address: string | null): Answer | null {
  const [told, setTold] = useState<{ address: string; answer: Answer } | null>(null);
  useEffect(() => {
    if (address === null) return;
    const leave = new AbortController();
    const timer = setTimeout(() => {
      fetch(address, { signal: leave.signal })
        .then(async (response) => {
          if (response.ok) setTold({ address, answer: (await response.json()) as Answer });
        })
        // What is asked so helps to plan; without reception one plans without it.
        .catch(() => undefined);
    }, PAUSE);
    return () => {
      clearTimeout(timer);
      leave.abort();
    };
  }, [address]);
  return told !== null && told.address === address ? told.answer : null;
}
