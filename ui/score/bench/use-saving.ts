'use client';

import { useEffect, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { takeBackUnsent } from '@/ui/kit/device/waiting-queue';
import type { BenchKeeper } from './bench-data';
import type { Entry } from './entry';
import { keptJudgement, problemOfEntry, problemOfFilledIn } from './kept-judgement';
import type { OpenUnion } from './open-union';
import type { LiveBench } from './use-bench';
import type { Draft } from './use-drafts';

/** What was saved last, so that it can be taken back onto the screen. */
interface Saved extends Pick<Draft, 'judgementId' | 'method' | 'correcting' | 'second'> {
  seatId: string;
  keeperId: string | null;
  draftKey: string;
  called: string;
  number: number;
  entry: Entry;
}

/** Words on the screen about what was done, or could not be. */
export interface Told {
  notice: string;
  problem: { message: string; fields: Record<string, string> } | null;
  /** The figure that wants the focus, by its name. */
  focus?: string;
}

const NO_ROOM = 'its storage is full or closed to this page';

interface Scoring {
  live: LiveBench;
  open: OpenUnion;
  setDraft: (draftKey: string, draft: Draft | null) => void;
  /** Opens a seat, or one of its keepers. */
  onOpen: (seatId: string, keeperId?: string | null) => void;
  /** The keeper to judge after this one; null when none is left. */
  nextKeeper: BenchKeeper | null;
  tell: (told: Told) => void;
  /** When the sheet was filled in, as the form has it; null at the bench. */
  filledIn: string | null;
}

/** Saves what is open, on the device first, and takes back what was saved last. One at a time. */
export function useSaving({ live, open, setDraft, onOpen, nextKeeper, tell, filledIn }: Scoring) {
  const { state, keep, sendNow, clock } = live;
  const { seats } = state;
  const [saved, setSaved] = useState<Saved[]>([]);
  const busy = useRef(false);
  const openedAt = useRef(0);
  useEffect(() => {
    openedAt.current = Date.now();
  }, [open.draftKey, saved.length]);
  const last = saved.at(-1);
  const lastCalled = last?.called;

  /** Keeps something on the device; false, in words, where that has no room. */
  const kept = async (work: () => Promise<void>, otherwise: string): Promise<boolean> => {
    busy.current = true;
    try {
      await work();
      return true;
    } catch {
      tell({ notice: '', problem: { message: otherwise, fields: {} } });
      return false;
    } finally {
      busy.current = false;
    }
  };

  const save = async (then: 'next' | 'same'): Promise<void> => {
    if (busy.current) return;
    const { seat, keeper, draftKey, method, number, called, entry, draft, read } = open;
    const { measures } = read;
    if (!measures || !read.judged) {
      const { message, field } = problemOfEntry(read, method.fields);
      return tell({ notice: '', problem: { message, fields: {} }, focus: field });
    }
    const late = filledIn === null ? null : problemOfFilledIn(filledIn, Date.now());
    if (late) return tell({ notice: '', problem: { message: late, fields: { filledInAt: late } } });
    const { judgementId, correcting, second } = draft ?? { judgementId: uuid(), correcting: null, second: null };
    const moment = { now: Date.now(), clock, openedAt: openedAt.current, filledIn };
    const item = keptJudgement(state, open, { judgementId, second }, measures, moment);
    const sorry = `This browser could not keep the judgement: ${NO_ROOM}. It is still on the screen; free some space, or write it down.`;
    if (!(await kept(() => keep(item), sorry))) return;
    const made = { seatId: seat.id, keeperId: keeper?.unionId ?? null, draftKey, called, method: method.id };
    setSaved((all) => [...all, { ...made, judgementId, number, entry, correcting, second }]);
    setDraft(draftKey, null);
    tell({ notice: `${called} saved.`, problem: null });
    if (then === 'next' && keeper) onOpen(nextKeeper?.seatId ?? seat.id, nextKeeper?.unionId ?? null);
    else if (then === 'next' && correcting === null)
      onOpen(seats[(seats.findIndex(({ id }) => id === seat.id) + 1) % seats.length]!.id);
    void sendNow();
  };

  const takeBack = async (): Promise<void> => {
    if (!last || busy.current) return;
    const { judgementId, seatId, keeperId, draftKey, called, method, entry, correcting, second } = last;
    const item = withdrawalOf(last, state, Date.now() + clock);
    const sorry = `This browser could not take ${called} back: ${NO_ROOM}. It stands as it was saved.`;
    const work = async (): Promise<void> => {
      if (!(await takeBackUnsent(judgementId))) await keep(item);
    };
    if (!(await kept(work, sorry))) return;
    setSaved((all) => all.slice(0, -1));
    setDraft(draftKey, { judgementId: uuid(), entry, past: [], correcting, second, ...(method ? { method } : {}) });
    onOpen(seatId, keeperId);
    tell({ notice: `${called} taken back; it is on the screen again.`, problem: null });
    void sendNow();
  };
  return { save, takeBack, lastCalled, count: saved.length };
}

/** That a judgement is taken back, as it waits on the device. */
function withdrawalOf(
  { judgementId, seatId, number, called }: Saved,
  { workshop, assessor }: LiveBench['state'],
  queuedAt: number,
) {
  return {
    kind: 'withdrawal' as const,
    judgementId,
    workshopId: workshop.id,
    seatId,
    number,
    called,
    assessor,
    queuedAt,
    body: {},
  };
}
