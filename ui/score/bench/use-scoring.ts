'use client';

import { useMemo, useState } from 'react';
import { useAtHand } from './use-at-hand';
import { v7 as uuid } from 'uuid';
import { strokeMark } from '@/core/score/rubric/stroke-mark';
import type { Entry } from './entry';
import { nextToJudge } from './next-keeper';
import { type Opened, type OpenUnion, openUnion } from './open-union';
import { unionActions } from './union-actions';
import type { LiveBench } from './use-bench';
import { useSpoiled } from './use-spoiled';
import { type Draft, useDrafts } from './use-drafts';
import { type Told, useSaving } from './use-saving';

/** Steps that can be undone of one entry. */
const UNDONE = 60;
const NOTHING: Told = { notice: '', problem: null };

interface ScoringOptions {
  live: LiveBench;
  seatId: string;
  /** The keeper that is judged; null for practice. */
  keeperId: string | null;
  onOpen: (seatId: string, keeperId?: string | null) => void;
  /** Entering sheets that were filled in on paper. */
  fromPaper: boolean;
}

/** What is scored at a seat, and what can be done with it: enter, mark, count strokes, undo, save, correct, look a second time. */
export function useScoring({ live, seatId, keeperId, onOpen, fromPaper }: ScoringOptions) {
  const { state, loaded } = live;
  const atHand = useAtHand(state.workshop.id);
  const { methodOf, keeperStage, sample } = atHand;
  const { drafts, setDraft } = useDrafts(`${state.workshop.id} ${state.assessor.id}${fromPaper ? ' paper' : ''}`);
  const [told, tell] = useState<Told>(NOTHING);
  const [filledIn, setFilledIn] = useState('');
  const methodId = methodOf[seatId] ?? null;
  const open = useOpenUnion(live, { seatId, keeperId, methodId, keeperStage }, drafts);
  const { draftKey, method, draft, entry, read } = open;
  const saving = useSaving({
    live,
    open,
    setDraft,
    onOpen,
    nextKeeper: nextToJudge(state, sample, open.keeper),
    tell,
    filledIn: fromPaper ? filledIn : null,
  });

  const begin = (began: Pick<Draft, 'entry'> & Partial<Draft>): void => {
    tell(NOTHING);
    setDraft(draftKey, { judgementId: uuid(), past: [], correcting: null, second: null, method: method.id, ...began });
  };
  const edit = (entered: Entry): void =>
    begin({ ...draft, entry: entered, past: [...(draft?.past ?? []), entry].slice(-UNDONE) });
  const counted = read.shown.grades.find(({ point }) => point.strokesGood !== undefined)?.point;
  const stroke = (): void => {
    // A method that does not limit strokes has none to count.
    if (!counted) return;
    const strokes = (entry.strokes ?? 0) + 1;
    const marked = strokeMark(counted, strokes);
    navigator.vibrate?.(30);
    edit({ ...entry, strokes, marks: marked ? { ...entry.marks, [counted.id]: marked } : entry.marks });
  };
  const undo = async (): Promise<void> => {
    if (!draft || draft.past.length === 0) return saving.takeBack();
    tell({ notice: told.notice, problem: null });
    const past = draft.past.slice(0, -1);
    const isFresh = past.length === 0 && draft.correcting === null && draft.second === null;
    setDraft(draftKey, isFresh ? null : { ...draft, entry: draft.past.at(-1)!, past });
  };
  return {
    ...open,
    drafts,
    told,
    tell,
    filledIn,
    setFilledIn,
    edit,
    stroke,
    spoiled: useSpoiled(live, open, tell),
    strokeLimit: counted?.strokesGood ?? null,
    undo,
    save: saving.save,
    leave: (): void => setDraft(draftKey, null),
    sample,
    ...unionActions(open, loaded, { atHand, begin, edit }),
    /** How many were saved here: each opens another union. */
    savedCount: saving.count,
    /** What undo would take back, "7-4"; null while there is a step to undo, undefined when there is nothing. */
    takesBack: (draft?.past.length ?? 0) > 0 ? null : saving.lastCalled,
  };
}

/** What is open, worked out anew when something it hangs on changes: the clock of the bench goes on every few seconds. */
function useOpenUnion(
  { state, loaded }: LiveBench,
  { seatId, keeperId, methodId, keeperStage }: Opened,
  drafts: Readonly<Record<string, Draft>>,
): OpenUnion {
  const { workshop, methods, seats, unions, unseen, keepers, unit, stockRanges } = state;
  const bench = useMemo(
    () => ({ workshop, methods, seats, unions, unseen, keepers, unit, stockRanges }),
    [workshop, methods, seats, unions, unseen, keepers, unit, stockRanges],
  );
  return useMemo(
    () => openUnion(bench, loaded, { seatId, keeperId, methodId, keeperStage }, drafts),
    [bench, loaded, seatId, keeperId, methodId, keeperStage, drafts],
  );
}

export type Scoring = ReturnType<typeof useScoring>;
