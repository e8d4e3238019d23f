import { METHODS, methodById } from '@/core/methods/registry';
import type { Place } from '@/core/methods/use';
import { otherMethods } from '@/core/plan/pairing/another-method';
import { pairUp, type PairingInput, type PairingResult } from '@/core/plan/pairing/pair-up';

/** What the page asks for. */
export interface PairingOrder extends Omit<PairingInput, 'method' | 'progress'> {
  method: string;
  place: Place;
}

/** Another method for a stock that was set aside, with a scion that is left. */
export interface Instead {
  stock: string;
  method: string;
  scion: string;
  contact: number;
}

export type PairingNews = { progress: number } | { result: PairingResult; instead: Instead[]; seconds: number };

self.onmessage = ({ data }: MessageEvent<PairingOrder>) => {
  const from = performance.now();
  const tell = (news: PairingNews): void => self.postMessage(news);
  let told = 0;
  const result = pairUp({
    ...data,
    method: methodById(data.method),
    progress: (share) => {
      // Ten words a second are enough to see it go on.
      if (performance.now() - told < 100 && share < 1) return;
      told = performance.now();
      tell({ progress: share });
    },
  });
  const another = otherMethods(
    METHODS.filter(({ id }) => id !== data.method),
    data.place,
  );
  const left = data.scions.filter(({ id }) => result.left.includes(id));
  const instead: Instead[] = [];
  for (const { stock: id } of result.aside) {
    const found = another(
      data.stocks.find((stock) => stock.id === id)!,
      left,
    );
    if (!found) continue;
    instead.push({ stock: id, method: found.method.id, scion: found.scion, contact: found.contact });
    left.splice(
      left.findIndex((scion) => scion.id === found.scion),
      1,
    );
  }
  tell({ result, instead, seconds: (performance.now() - from) / 1000 });
};
