'use client';

import Link from 'next/link';
import { useEffect, useRef, useState, type FormEvent, type KeyboardEvent } from 'react';
import { v7 as uuid } from 'uuid';
import type { Method, Point } from '@/core/methods/method';
import { strokeMark } from '@/core/score/rubric/stroke-mark';
import { takeBackUnsent } from '@/ui/kit/device/waiting-queue';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { Attempts } from './attempts';
import { type BenchJudgement, type BenchUnion, counting, scoreText, unionsOf } from './bench-data';
import { type Entry, entryOf, newEntry, nextMark } from './entry';
import { Figures } from './figures';
import { readUnion } from './read-union';
import { SeatStrip } from './seat-strip';
import { SectionAtLevel } from './section-at-level';
import { UnionCounters } from './union-counters';
import { UnionStage } from './union-stage';
import type { LiveBench } from './use-bench';
import { type Draft, useDrafts } from './use-drafts';
import { Verdict } from './verdict';

interface BenchProps {
  live: LiveBench;
  method: Method;
  seatId: string;
  onSeat: (seatId: string) => void;
  onRoom: () => void;
  /** Whom to see next and why, or null when nobody presses. */
  next: { seatId: string; number: number; reason: string } | null;
  /** Entering sheets that were filled in on paper: asks when. */
  fromPaper?: boolean;
}

interface Saved {
  seatId: string;
  judgementId: string;
  number: number;
  entry: Entry;
  correcting: number | null;
  second: number | null;
}

const FIRST = { past: [], correcting: null, second: null };

/** The scoring bench: one union after the other, by keyboard, caliper, number pad or touch. What is saved is kept on the device first. */
export function Bench({ live, method, seatId, onSeat, onRoom, next, fromPaper = false }: BenchProps) {
  const { state, keep, sendNow } = live;
  const { workshop, rule, unit, seats, assessor } = state;
  const { drafts, setDraft } = useDrafts(`${workshop.id} ${assessor.id}${fromPaper ? ' paper' : ''}`);
  const [saved, setSaved] = useState<Saved[]>([]);
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const [notice, setNotice] = useState('');
  const [caution, setCaution] = useState(false);
  const [filledIn, setFilledIn] = useState('');
  const [wantedLevel, setLevel] = useState(0);
  const form = useRef<HTMLFormElement>(null);
  const saving = useRef(false);
  const openedAt = useRef(0);

  const seat = seats.find(({ id }) => id === seatId) ?? seats[0]!;
  const own = unionsOf(state, seat.id);
  const last = own.at(-1) ?? null;
  const left = drafts[seat.id];
  // A browser that dies may forget that an entry was saved and taken off the screen: what is known by its id already is no draft any more.
  const draft =
    left && !own.some(({ judgements }) => judgements.some(({ id }) => id === left.judgementId)) ? left : undefined;
  const entry = draft?.entry ?? newEntry(method, last ? counting(last).measures : null, unit);
  const unseen = state.unseen.filter((union) => union.seatId === seat.id);
  const taken = [...own, ...unseen].map(({ number }) => number);
  const number = draft?.correcting ?? draft?.second ?? Math.max(0, ...taken) + 1;
  const called = `${seat.number}-${number}`;
  const read = readUnion(method, rule, entry, 'joined', unit, state.stockRanges);
  const { reach, section } = read.drawn.assessment;
  const level = Math.max(-reach, Math.min(reach, wantedLevel));
  const compared = draft?.correcting ? (own.find((union) => union.number === draft.correcting) ?? null) : last;

  const edit = (entered: Entry): void => {
    setProblem(null);
    setNotice('');
    setDraft(seat.id, {
      ...FIRST,
      judgementId: uuid(),
      ...draft,
      entry: entered,
      past: [...(draft?.past ?? []), entry].slice(-60),
    });
  };
  const mark = (point: Point): void =>
    edit({ ...entry, marks: nextMark(point, entry.marks, read.drawn.assessment.grades[point.id] ?? 'good') });
  const stroke = (): void => {
    const strokes = (entry.strokes ?? 0) + 1;
    const point = read.drawn.grades.find((one) => one.point.strokesGood !== undefined)?.point;
    const marked = point && strokeMark(point, strokes);
    navigator.vibrate?.(30);
    edit({ ...entry, strokes, marks: point && marked ? { ...entry.marks, [point.id]: marked } : entry.marks });
  };

  useEffect(() => {
    openedAt.current = deviceTime();
    // The first figure still to be entered takes the focus, so that a number can be typed at once.
    const inputs = [...(form.current?.querySelectorAll<HTMLInputElement>('[data-first]') ?? [])];
    if (window.matchMedia('(min-width: 641px)').matches)
      (inputs.find((input) => input.value === '') ?? inputs[0])?.focus();
  }, [seatId, saved.length]);

  const save = async (then: 'next' | 'same'): Promise<void> => {
    if (saving.current) return;
    if (!read.measures || !read.judged) {
      const first = read.missing[0];
      const said = Object.values(read.errors)[0];
      setProblem({
        message:
          said ??
          `Enter ${listed(read.missing.map((id) => method.fields.find((field) => field.id === id)!.name))} first; then it can be saved.`,
        fields: {},
      });
      form.current?.querySelector<HTMLInputElement>(`[name="${first ?? Object.keys(read.errors)[0]}"]`)?.focus();
      return;
    }
    if (fromPaper && (filledIn === '' || new Date(filledIn) > new Date())) {
      const message =
        filledIn === ''
          ? 'Enter when the sheet was filled in, as it says at its head.'
          : 'The sheet cannot have been filled in later than now. Check date and time.';
      setProblem({ message, fields: { filledInAt: message } });
      return;
    }
    const current: Draft = draft ?? { ...FIRST, judgementId: uuid(), entry };
    saving.current = true;
    try {
      await keep({
        kind: 'judgement',
        judgementId: current.judgementId,
        workshopId: workshop.id,
        seatId: seat.id,
        number,
        called,
        assessor,
        queuedAt: deviceTime() + live.clock,
        body: {
          workshopId: workshop.id,
          seatId: seat.id,
          number,
          stage: 'joined',
          measures: read.measures,
          marks: entry.marks,
          note: entry.note,
          deviceAt: new Date().toISOString(),
          correctsId: entry.correctsId,
          filledInAt: fromPaper ? new Date(filledIn).toISOString() : null,
          seconds: fromPaper ? null : Math.round((deviceTime() - openedAt.current) / 1000),
          strokes: entry.strokes,
          second: current.second !== null,
        },
      });
    } catch {
      setProblem({
        message:
          'This browser could not keep the judgement: its storage is full or closed to this page. It is still on the screen; free some space, or write it down.',
        fields: {},
      });
      return;
    } finally {
      saving.current = false;
    }
    setSaved((all) => [
      ...all,
      {
        seatId: seat.id,
        judgementId: current.judgementId,
        number,
        entry,
        correcting: current.correcting,
        second: current.second,
      },
    ]);
    setDraft(seat.id, null);
    setProblem(null);
    setNotice(`${called} saved.`);
    if (then === 'next' && current.correcting === null)
      onSeat(seats[(seats.findIndex(({ id }) => id === seat.id) + 1) % seats.length]!.id);
    void sendNow();
  };

  const lastSaved = saved.at(-1);
  const canUndo = (draft?.past.length ?? 0) > 0 || lastSaved !== undefined;
  const undo = async (): Promise<void> => {
    if (draft && draft.past.length > 0) {
      setProblem(null);
      const past = draft.past.slice(0, -1);
      setDraft(
        seat.id,
        past.length === 0 && draft.correcting === null && draft.second === null
          ? null
          : { ...draft, entry: draft.past.at(-1)!, past },
      );
      return;
    }
    if (!lastSaved || saving.current) return;
    saving.current = true;
    const { judgementId, seatId: of } = lastSaved;
    const number = seats.find(({ id }) => id === of)?.number;
    try {
      if (!(await takeBackUnsent(judgementId)))
        await keep({
          kind: 'withdrawal',
          judgementId,
          workshopId: workshop.id,
          seatId: of,
          number: lastSaved.number,
          called: `${number}-${lastSaved.number}`,
          assessor,
          body: {},
          queuedAt: deviceTime() + live.clock,
        });
    } catch {
      setProblem({
        message: `This browser could not take ${number}-${lastSaved.number} back: its storage is full or closed to this page. It stands as it was saved.`,
        fields: {},
      });
      return;
    } finally {
      saving.current = false;
    }
    setSaved((all) => all.slice(0, -1));
    setDraft(of, {
      judgementId: uuid(),
      entry: lastSaved.entry,
      past: [],
      correcting: lastSaved.correcting,
      second: lastSaved.second,
    });
    onSeat(of);
    setNotice(`${number}-${lastSaved.number} taken back; it is on the screen again.`);
    void sendNow();
  };
  const correct = (union: BenchUnion, judgement: BenchJudgement): void => {
    setNotice('');
    setDraft(seat.id, {
      ...FIRST,
      judgementId: uuid(),
      entry: entryOf(method, judgement.measures, judgement.marks, judgement.note, unit, judgement.id),
      correcting: union.number,
    });
    form.current?.scrollIntoView({ block: 'nearest' });
  };

  const onKeys = (event: KeyboardEvent<HTMLElement>): void => {
    const target = event.target as HTMLElement;
    // A dialog stands elsewhere in the page, and keeps its keys.
    if (!event.currentTarget.contains(target)) return;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      void undo();
      return;
    }
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey || event.shiftKey) && target.tagName !== 'TEXTAREA') {
      event.preventDefault();
      void save(event.shiftKey ? 'same' : 'next');
      return;
    }
    // A figure in use takes figures alone, so that no caliper marks or counts anything with what it types.
    if (target.hasAttribute('data-figure')) return;
    if (event.key === '+' && target.tagName !== 'TEXTAREA') {
      event.preventDefault();
      stroke();
      return;
    }
    // Letters mark; fields for words keep them.
    if (event.ctrlKey || event.metaKey || event.altKey || target.tagName === 'TEXTAREA' || !/^[a-z]$/i.test(event.key))
      return;
    event.preventDefault();
    const letter = event.key.toLowerCase();
    if (letter === 'q') return setCaution(true);
    if (letter === 'z') return void undo();
    const point = read.drawn.grades.find(
      (candidate) => candidate.point.letter === letter && candidate.point.faults.length > 0,
    )?.point;
    if (point) mark(point);
  };
  const onSubmit = (event: FormEvent): void => {
    event.preventDefault();
    void save('next');
  };

  const ghost = read.corrections.find((correction) => correction.ghost !== undefined)?.ghost ?? null;
  const stopped = read.drawn.grades.map(({ point }) => point).find(({ id }) => id === 'safe-hands');
  const firsts = method.fields.filter(({ place }) => place === 'first').length;
  return (
    <div
      id="bench"
      data-open
      tabIndex={-1}
      onKeyDown={onKeys}
      className="grid grid-cols-[minmax(0,1fr)] gap-x-5 gap-y-3 outline-none max-lg:pb-56 lg:grid-cols-[9.6rem_minmax(0,1fr)_21.5rem]"
    >
      <div className="flex gap-2 lg:row-span-2 lg:flex-col">
        {!fromPaper && (
          <button type="button" className="bench-button px-3" onClick={onRoom}>
            The room
          </button>
        )}
        <SeatStrip
          state={state}
          open={seat.id}
          drafts={Object.keys(drafts)}
          onOpen={(id) => {
            setProblem(null);
            onSeat(id);
          }}
        />
      </div>
      <form ref={form} onSubmit={onSubmit} noValidate className="contents">
        <div className="order-2 min-w-0 lg:order-none">
          <UnionStage
            assessment={read.drawn.assessment}
            unit={unit}
            ghost={ghost}
            assumed={!read.judged}
            level={level}
            onMark={mark}
            points={read.drawn.grades.map(({ point, grade }) => ({
              point,
              grade,
              marked: entry.marks[point.id] !== undefined,
            }))}
            below={
              !fromPaper && (
                <div className="mt-2 w-full max-lg:hidden">
                  <UnionCounters key={`${seat.id} ${saved.length}`} strokes={entry.strokes} onStroke={stroke} />
                </div>
              )
            }
          />
        </div>
        <div className="order-1 flex min-w-0 flex-col gap-2 lg:order-none">
          <div className="flex items-baseline justify-between gap-3">
            <h1>
              <span data-testid="called">{called}</span>{' '}
              <span className="text-base font-normal">
                {seat.name}
                {draft?.correcting ? ', correcting' : ''}
                {draft?.second ? ', second assessor' : ''}
              </span>
              {!seat.briefed && (
                <Link
                  href={`/workshops/${workshop.id}/teach/briefing`}
                  className="ml-2 border-2 border-ink px-1.5 text-sm font-bold whitespace-nowrap no-underline"
                >
                  not briefed
                </Link>
              )}
            </h1>
            <p className="shrink-0 text-right text-sm">
              <span role="status" className="font-bold">
                {notice}
              </span>{' '}
              <span className="text-muted">{notice ? '' : `lengths in ${unit}`}</span>
            </p>
          </div>
          {unseen.length > 0 && !draft && (
            <div className="flex flex-wrap items-center gap-2 border-l-4 border-ink bg-mist px-2 py-1 text-sm">
              <span>Scored by another; yours is wanted without knowing theirs:</span>
              {unseen.map((union) => (
                <button
                  key={union.id}
                  type="button"
                  className="bench-button px-3"
                  onClick={() =>
                    setDraft(seat.id, {
                      ...FIRST,
                      judgementId: uuid(),
                      entry: newEntry(method, null, unit),
                      second: union.number,
                    })
                  }
                >
                  Score {seat.number}-{union.number} too
                </button>
              ))}
            </div>
          )}
          {fromPaper && (
            <label className="block text-sm font-bold">
              Sheet filled in at
              <input
                type="datetime-local"
                name="filledInAt"
                value={filledIn}
                onChange={(event) => setFilledIn(event.target.value)}
                aria-invalid={problem?.fields.filledInAt !== undefined}
                className="bench-input font-normal"
              />
            </label>
          )}
          <Figures
            method={method}
            entry={entry}
            unit={unit}
            measures={read.measures}
            errors={{ ...problem?.fields, ...read.errors }}
            onChange={edit}
          />
        </div>
        <div className="order-3 flex min-w-0 flex-wrap items-start gap-x-5 gap-y-2 sm:flex-nowrap lg:order-none">
          <Verdict
            judged={read.judged}
            best={read.best}
            corrections={read.corrections}
            outside={read.outside}
            last={compared}
            called={called}
            unit={unit}
          />
          {section && <SectionAtLevel section={section} reach={reach} unit={unit} level={level} onLevel={setLevel} />}
        </div>
        <div className="order-4 flex min-w-0 flex-col gap-2 lg:order-none">
          <label className="grid grid-cols-[auto_1fr] items-center gap-3 text-sm font-bold">
            Note
            <textarea
              name="note"
              rows={1}
              maxLength={500}
              value={entry.note}
              onChange={(event) => edit({ ...entry, note: event.target.value })}
              className="bench-input min-h-9 font-normal"
            />
          </label>
          <div className="grid grid-cols-2 gap-2 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:z-20 max-lg:border-t-2 max-lg:border-ink max-lg:bg-paper max-lg:px-4 max-lg:py-2">
            <div className="col-span-2">
              <Problem>{problem?.message}</Problem>
            </div>
            <p className="col-span-2 flex items-baseline gap-2 lg:hidden" aria-hidden>
              <span className="text-2xl leading-none font-bold">
                {read.judged ? scoreText(read.judged.score) : '–'}
              </span>
              <span className="truncate">
                {read.judged
                  ? `${called}, ${read.judged.assessment.contactGrade.words}`
                  : `${called}: ${read.missing.length} of ${firsts} figures to enter`}
              </span>
            </p>
            {!fromPaper && (
              <div className="col-span-2 lg:hidden">
                <UnionCounters key={`${seat.id} ${saved.length}`} strokes={entry.strokes} onStroke={stroke} />
              </div>
            )}
            <button type="submit" data-save className="bench-button" data-weight="main">
              {draft?.correcting ? 'Save correction' : 'Save, next seat'}
            </button>
            <button type="button" className="bench-button" onClick={() => void save('same')}>
              Save, same seat
            </button>
            <span className="col-span-2 grid grid-cols-[auto_1fr_auto] gap-2">
              <button type="button" className="bench-button px-3" disabled={!canUndo} onClick={() => void undo()}>
                {(draft?.past.length ?? 0) > 0 || !lastSaved
                  ? 'Undo'
                  : `Take back ${seats.find(({ id }) => id === lastSaved.seatId)?.number}-${lastSaved.number}`}{' '}
                <kbd className="text-xs font-normal">Z</kbd>
              </button>
              {stopped && (
                <button
                  type="button"
                  className="bench-button px-1"
                  data-weight={entry.marks[stopped.id] === 'fatal' ? 'loud' : undefined}
                  onClick={() => mark(stopped)}
                >
                  Stopped for safety <kbd className="text-xs font-normal">S</kbd>
                </button>
              )}
              <button
                type="button"
                className="bench-button px-2"
                onClick={() => setCaution(true)}
                aria-label="Knife caution, key Q"
              >
                Knife <kbd className="text-xs font-normal">Q</kbd>
              </button>
            </span>
            {(draft?.correcting ?? draft?.second ?? null) !== null && (
              <button type="button" className="bench-button col-span-2" onClick={() => setDraft(seat.id, null)}>
                Leave {called} as it was
              </button>
            )}
            {next && next.seatId !== seat.id && !draft && (
              <button
                type="button"
                className="bench-button col-span-2 justify-start text-left font-normal max-lg:hidden"
                onClick={() => onSeat(next.seatId)}
              >
                <span>
                  <strong>See {next.number} next</strong>: {next.reason}
                </span>
              </button>
            )}
          </div>
        </div>
      </form>
      <div className="order-5 lg:order-none lg:col-span-3">
        <Attempts workshopId={workshop.id} seatNumber={seat.number} unions={own} mayChange onCorrect={correct} />
      </div>
      <SheetDialog title="Knives" description="Say it before the next cut." open={caution} onOpenChange={setCaution}>
        <p className="text-lg">{method.knifeCaution}</p>
        <p>
          If a cut is not safe, stop it: press S or tap “Stopped for safety”. It is a fatal mark for this union and says
          nothing about the next.
        </p>
      </SheetDialog>
    </div>
  );
}

/** Names in a sentence: "a, b and c". */
function listed(names: string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

function deviceTime(): number {
  return Date.now();
}
