'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { PairingNews, PairingOrder } from '@/workers/pairing';

export type PairingOutcome = Extract<PairingNews, { result: unknown }>;

/** Pairs in a worker, so that the page goes on answering; says how far it is. A second order ends the first. */
export function usePairing(): {
  start: (order: PairingOrder) => void;
  progress: number | null;
  outcome: PairingOutcome | null;
  failed: boolean;
} {
  const worker = useRef<Worker | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [outcome, setOutcome] = useState<PairingOutcome | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => () => worker.current?.terminate(), []);
  const start = useCallback((order: PairingOrder) => {
    worker.current?.terminate();
    const own = new Worker(new URL('../../../workers/pairing.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    setFailed(false);
    setProgress(0);
    own.onmessage = ({ data }: MessageEvent<PairingNews>) => {
      if ('progress' in data) return setProgress(data.progress);
      setOutcome(data);
      setProgress(null);
      own.terminate();
    };
    own.onerror = () => {
      setFailed(true);
      setProgress(null);
      own.terminate();
    };
    own.postMessage(order);
  }, []);
  return { start, progress, outcome, failed };
}
