'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { TeachingState } from '@/core/teach/teaching-state';
import { send } from '@/ui/kit/form/send';

export interface Teaching {
  state: TeachingState;
  /** Device time at which the run-down ends, ms; null while none runs. */
  endsAt: number | null;
  connected: boolean;
  problem: string;
  /** Shows something else: at once here, then on every screen of the workshop. */
  show: (change: Partial<Pick<TeachingState, 'step' | 'panel' | 'blank' | 'briefing'>> & { timer?: number }) => void;
}

/**
 * The projector's state, followed as it changes. The line is reopened when it breaks, and the
 * first event on a new line is a snapshot, so a screen that was away comes back at the right step.
 */
export function useTeaching(workshopId: string, initial: TeachingState): Teaching {
  const [state, setState] = useState(initial);
  const [endsAt, setEndsAt] = useState<number | null>(null);
  const [connected, setConnected] = useState(false);
  const [problem, setProblem] = useState('');
  const latest = useRef(initial);
  const address = `/api/workshops/${workshopId}/teaching`;

  const take = useCallback((next: TeachingState): void => {
    // An answer that was overtaken on its way is old.
    if (next.seq < latest.current.seq) return;
    latest.current = next;
    setState(next);
    setEndsAt(next.timer ? Date.now() + next.timer.left : null);
  }, []);

  useEffect(() => {
    let source: EventSource | null = null;
    let again: ReturnType<typeof setTimeout>;
    let gone = false;
    const open = (): void => {
      source = new EventSource(address);
      source.onopen = () => setConnected(true);
      source.onmessage = (event) => {
        setConnected(true);
        setProblem('');
        take(JSON.parse(String(event.data)) as TeachingState);
      };
      source.onerror = () => {
        setConnected(false);
        // A line that was refused is closed for good by the browser; open another.
        if (source?.readyState === EventSource.CLOSED && !gone) again = setTimeout(open, 1500);
      };
    };
    open();
    return () => {
      gone = true;
      clearTimeout(again);
      source?.close();
    };
  }, [address, take]);

  const show = useCallback<Teaching['show']>(
    ({ timer, ...change }) => {
      const wanted = { ...latest.current, ...change };
      latest.current = wanted;
      setState(wanted);
      const body = {
        changeId: uuid(),
        step: wanted.step,
        panel: wanted.panel,
        blank: wanted.blank,
        briefing: wanted.briefing,
        timer: timer ?? null,
      };
      const attempt = async (left: number): Promise<void> => {
        const sent = await send<TeachingState>('PUT', address, body);
        if (sent.ok) {
          setProblem('');
          take(sent.data);
        } else if ((sent.status === 0 || sent.status >= 500) && left > 0) {
          // The same change under the same id: made once however often it arrives.
          setTimeout(() => void attempt(left - 1), 1000);
        } else setProblem(sent.message);
      };
      void attempt(5);
    },
    [address, take],
  );
  return { state, endsAt, connected, problem, show };
}
