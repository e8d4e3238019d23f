'use client';

import { useMemo, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { Method, Point } from '@/core/methods/method';
import { strokeMark } from '@/core/score/rubric/stroke-mark';
import type { BenchJudgement, BenchUnion } from './bench-data';
import { type Entry, entryOf, newEntry, nextMark } from './entry';
import { openUnion } from './open-union';
import type { LiveBench } from './use-bench';
import { type Draft, useDrafts } from './use-drafts';
import { type Told, useSaving } from './use-saving';

/** Steps that can be undone of one entry. */
const UNDONE = 60;
const NOTHING: Told = { notice: '', problem: null };

interface ScoringOptions {
  live: LiveBench;
  method: Method;
  seatId: string;
  onSeat: (seatId: string) => void;
  /** Entering sheets that were filled in on paper. */
  fromPaper: boolean;
}

/** What is scored at a seat, and what can be done with it: enter, mark, count strokes, undo, save, correct, look a second time. */
export function useScoring({ live, method, seatId, onSeat, fromPaper }: ScoringOptions) {
  const { state } = live;
  const { drafts, setDraft } = useDrafts(`${state.workshop.id} ${state.assessor.id}${fromPaper ? ' paper' : ''}`);
  const [told, tell] = useState<Told>(NOTHING);
  const [filledIn, setFilledIn] = useState('');
  const { seats, unions, unseen, rule, unit, stockRanges } = state;
  // The clock of the bench goes on every few seconds; what is open at a seat does not hang on it.
  const open = useMemo(
    () => openUnion({ seats, unions, unseen, rule, unit, stockRanges }, method, seatId, drafts),
    [seats, unions, unseen, rule, unit, stockRanges, method, seatId, drafts],
  );
  const { seat, draft, entry, read } = open;
  const saving = useSaving({
    live,
    method,
    open,
    setDraft,
    onSeat,
    tell,
    filledIn: fromPaper ? filledIn : null,
  });

  const begin = (began: Pick<Draft, 'entry'> & Partial<Draft>): void => {
    tell(NOTHING);
    setDraft(seat.id, { judgementId: uuid(), past: [], correcting: null, second: null, ...began });
  };
  const edit = (entered: Entry): void =>
    begin({ ...draft, entry: entered, past: [...(draft?.past ?? []), entry].slice(-UNDONE) });
  const stroke = (): void => {
    const strokes = (entry.strokes ?? 0) + 1;
    const counted = read.shown.grades.find(({ point }) => point.strokesGood !== undefined)?.point;
    const marked = counted && strokeMark(counted, strokes);
    navigator.vibrate?.(30);
    edit({ ...entry, strokes, marks: counted && marked ? { ...entry.marks, [counted.id]: marked } : entry.marks });
  };
  const undo = async (): Promise<void> => {
    if (!draft || draft.past.length === 0) return saving.takeBack();
    tell({ notice: told.notice, problem: null });
    const past = draft.past.slice(0, -1);
    const isFresh = past.length === 0 && draft.correcting === null && draft.second === null;
    setDraft(seat.id, isFresh ? null : { ...draft, entry: draft.past.at(-1)!, past });
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
    undo,
    save: saving.save,
    mark: (point: Point): void =>
      edit({ ...entry, marks: nextMark(point, entry.marks, read.shown.assessment.grades[point.id] ?? 'good') }),
    correct: (union: BenchUnion, { id, measures, marks, note }: BenchJudgement): void =>
      begin({ entry: entryOf(method, measures, marks, note, state.unit, id), correcting: union.number }),
    scoreToo: (second: number): void => begin({ entry: newEntry(method, null, state.unit), second }),
    leave: (): void => setDraft(seat.id, null),
    /** How many were saved here: each opens another union. */
    savedCount: saving.count,
    /** What undo would take back, "7-4"; null while there is a step to undo, undefined when there is nothing. */
    takesBack: (draft?.past.length ?? 0) > 0 ? null : saving.lastCalled,
  };
}

export type Scoring = ReturnType<typeof useScoring>;
