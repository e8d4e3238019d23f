'use client';

import { useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { Marked } from '@/core/aftercare/mark-input';
import type { Outcome } from '@/core/aftercare/outcome';
import type { Waiting } from '@/ui/kit/device/device-database';
import type { DeviceQueue } from '@/ui/kit/device/use-device-queue';
import { takeBackUnsent } from '@/ui/kit/device/waiting-queue';

import { deviceItem } from './device-item';

/** A tap of this window that can be taken back. */
export interface Tap {
  actionId: string;
  words: string;
  keys: string[];
}

/** What one tap closes. */
export interface Tapped {
  marks: Marked[];
  outcome: Outcome;
  on: string;
  reason: string;
  /** Said of it: "Rub off shoots, 12 plants". */
  words: string;
}

interface Marks {
  /** True for a task that was closed on this device, whether the server has it yet or not. */
  isMarked: (mark: Marked) => boolean;
  mark: (tapped: Tapped) => Promise<void>;
  undo: (tap: Tap) => Promise<void>;
  /** Taps of this window, the last one first. */
  taps: Tap[];
  problem: string;
}

const NO_ROOM =
  'This browser could not keep it: its storage is full or closed to this page. Nothing was marked; free some space and try again.';

/** Marks tasks on the device first; what waits or was sent from here is taken for done until the server says so. */
export function useMarks({ waiting, keep, sendNow }: DeviceQueue, me: { id: string; name: string }): Marks {
  const [taps, setTaps] = useState<Tap[]>([]);
  const [problem, setProblem] = useState('');
  const busy = useRef(false);
  // What the server would not have is open again, until somebody mends it.
  const refused = new Set(
    (waiting ?? []).filter(({ refusal }) => refusal !== null).map(({ judgementId }) => judgementId),
  );
  const taken = taps.filter(({ actionId }) => !refused.has(actionId));
  const closed = new Set([...closedByWaiting(waiting ?? []), ...taken.flatMap(({ keys }) => keys)]);

  const safely = async (work: () => Promise<void>): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    setProblem('');
    try {
      await work();
    } catch {
      setProblem(NO_ROOM);
    } finally {
      busy.current = false;
    }
  };
  return {
    isMarked: (mark) => closed.has(keyOf(mark)),
    problem,
    taps: [...taken].reverse(),
    mark: ({ marks, outcome, on, reason, words }) =>
      safely(async () => {
        const actionId = uuid();
        await keep({ ...deviceItem(me, actionId, words), kind: 'marks', body: { marks, outcome, on, reason } });
        setTaps((all) => [...all, { actionId, words, keys: marks.map(keyOf) }]);
      }),
    undo: (tap) =>
      safely(async () => {
        if (!(await takeBackUnsent(tap.actionId)))
          await keep({ ...deviceItem(me, tap.actionId, tap.words), kind: 'marks-back', body: {} });
        setTaps((all) => all.filter(({ actionId }) => actionId !== tap.actionId));
        void sendNow();
      }),
  };
}

export const keyOf = ({ unionId, task, occurrence }: Marked): string => `${unionId} ${task} ${occurrence}`;

/** What waits to be closed, less what waits to be opened again. */
function closedByWaiting(waiting: readonly Waiting[]): string[] {
  const back = new Set(waiting.filter(({ kind }) => kind === 'marks-back').map(({ judgementId }) => judgementId));
  return waiting.flatMap((item) =>
    item.kind === 'marks' && item.refusal === null && !back.has(item.judgementId) ? item.body.marks.map(keyOf) : [],
  );
}
