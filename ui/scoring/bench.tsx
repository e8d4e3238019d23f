'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, type FormEvent, type KeyboardEvent } from 'react';
import { v7 as uuid } from 'uuid';
import { methodById } from '@/core/methods/registry';
import type { Point } from '@/core/methods/method';
import type { ScoringRule } from '@/core/scoring/judge-union';
import type { LengthUnit } from '@/core/units/length';
import { Problem } from '../form/problem';
import { send } from '../form/send';
import { SheetDialog } from '../form/sheet-dialog';
import { Attempts } from './attempts';
import { type BenchJudgement, type BenchSeat, type BenchUnion, scoreText } from './bench-data';
import { type Entry, entryOf, newEntry, nextMark } from './entry';
import { Figures } from './figures';
import { fieldOf, readUnion } from './read-union';
import { SeatStrip } from './seat-strip';
import { SectionAtLevel } from './section-at-level';
import { UnionStage } from './union-stage';
import { type Draft, useDrafts } from './use-drafts';
import { Verdict } from './verdict';

interface BenchProps {
  workshopId: string;
  method: string;
  rule: ScoringRule;
  unit: LengthUnit;
  seats: BenchSeat[];
  unions: BenchUnion[];
  firstSeat: string;
  /** Entering sheets that were filled in on paper: asks when. */
  fromPaper?: boolean;
}

interface Saved {
  seatId: string;
  judgementId: string;
  number: number;
  entry: Entry;
  correcting: number | null;
}

/** The scoring bench: one union after the other, by keyboard, number pad or touch. */
export function Bench({ workshopId, method: methodId, rule, unit, seats, unions, firstSeat, fromPaper = false }: BenchProps) {
  const method = methodById(methodId);
  const router = useRouter();
  const { drafts, setDraft } = useDrafts(`${workshopId}${fromPaper ? ' paper' : ''}`);
  const [seatId, setSeatId] = useState(firstSeat);
  const [saved, setSaved] = useState<Saved[]>([]);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const [notice, setNotice] = useState('');
  const [caution, setCaution] = useState(false);
  const [filledIn, setFilledIn] = useState('');
  const [wantedLevel, setLevel] = useState(0);
  const form = useRef<HTMLFormElement>(null);
  const saving = useRef(false);

  const seat = seats.find(({ id }) => id === seatId) ?? seats[0]!;
  const own = unions.filter((union) => union.seatId === seat.id);
  const last = own.at(-1) ?? null;
  const draft = drafts[seat.id];
  const lastMeasures = last?.counts.measures ?? null;
  const entry = draft?.entry ?? newEntry(method, lastMeasures, unit);
  // What was saved a moment ago may not have come back from the server yet.
  const taken = [...own.map(({ number }) => number), ...saved.filter((one) => one.seatId === seat.id).map(({ number }) => number)];
  const number = draft?.correcting ?? Math.max(0, ...taken) + 1;
  const called = `${seat.number}-${number}`;
  const read = readUnion(method, rule, entry, 'joined', unit);
  const { reach, section } = read.drawn.assessment;
  const level = Math.max(-reach, Math.min(reach, wantedLevel));
  const compared = draft?.correcting ? (own.find((union) => union.number === draft.correcting) ?? null) : last;

  const edit = (next: Entry): void => {
    setProblem(null);
    setNotice('');
    setDraft(seat.id, { judgementId: draft?.judgementId ?? uuid(), entry: next, past: [...(draft?.past ?? []), entry].slice(-60), unsure: draft?.unsure ?? false, correcting: draft?.correcting ?? null });
  };
  const mark = (point: Point): void => edit({ ...entry, marks: nextMark(point, entry.marks, read.drawn.assessment.grades[point.id] ?? 'good') });

  const openSeat = (id: string): void => {
    setProblem(null);
    setSeatId(id);
  };
  useEffect(() => {
    // The first figure still to be entered takes the focus, so that a number can be typed at once.
    const inputs = [...(form.current?.querySelectorAll<HTMLInputElement>('[data-first]') ?? [])];
    if (window.matchMedia('(min-width: 641px)').matches) (inputs.find((input) => input.value === '') ?? inputs[0])?.focus();
  }, [seatId, saved.length]);

  const save = async (then: 'next' | 'same'): Promise<void> => {
    if (saving.current) return;
    if (!read.measures || !read.judged) {
      const first = read.missing[0];
      const said = Object.values(read.errors)[0];
      setProblem({ message: said ?? `Enter ${listed(read.missing.map((id) => method.fields.find((field) => field.id === id)!.name))} first; then it can be saved.`, fields: {} });
      form.current?.querySelector<HTMLInputElement>(`[name="${first ?? Object.keys(read.errors)[0]}"]`)?.focus();
      return;
    }
    if (fromPaper && filledIn === '') {
      setProblem({ message: 'Enter when the sheet was filled in, as it says at its head.', fields: { filledInAt: 'Enter date and time.' } });
      return;
    }
    const current: Draft = draft ?? { judgementId: uuid(), entry, past: [], unsure: false, correcting: null };
    const body = {
      workshopId, seatId: seat.id, number, stage: 'joined', measures: read.measures, marks: entry.marks, note: entry.note, deviceAt: new Date().toISOString(),
      correctsId: entry.correctsId, filledInAt: fromPaper ? new Date(filledIn).toISOString() : null,
    };
    saving.current = true;
    setBusy(true);
    setProblem(null);
    let { judgementId } = current;
    let sent = await send('PUT', `/api/judgements/${judgementId}`, body);
    if (!sent.ok && sent.status === 409 && current.unsure && !entry.correctsId) {
      // An earlier try had arrived after all, and the figures were changed since: they correct it.
      judgementId = uuid();
      sent = await send('PUT', `/api/judgements/${judgementId}`, { ...body, correctsId: current.judgementId });
    }
    saving.current = false;
    setBusy(false);
    if (!sent.ok) {
      setProblem({ message: sent.message, fields: Object.fromEntries(Object.entries(sent.fields).map(([name, message]) => [fieldOf(name), message])) });
      setDraft(seat.id, { ...current, unsure: current.unsure || sent.status === 0 || sent.status >= 500 });
      return;
    }
    setSaved((all) => [...all, { seatId: seat.id, judgementId, number, entry, correcting: current.correcting }]);
    setDraft(seat.id, null);
    setNotice(`${called} saved.`);
    if (then === 'next' && current.correcting === null) setSeatId(seats[(seats.findIndex(({ id }) => id === seat.id) + 1) % seats.length]!.id);
    router.refresh();
  };

  const lastSaved = saved.at(-1);
  const canUndo = (draft?.past.length ?? 0) > 0 || lastSaved !== undefined;
  const undo = async (): Promise<void> => {
    if (draft && draft.past.length > 0) {
      setProblem(null);
      const past = draft.past.slice(0, -1);
      setDraft(seat.id, past.length === 0 && !draft.unsure && draft.correcting === null ? null : { ...draft, entry: draft.past.at(-1)!, past });
      return;
    }
    if (!lastSaved || saving.current) return;
    saving.current = true;
    const sent = await send('DELETE', `/api/judgements/${lastSaved.judgementId}`);
    saving.current = false;
    if (!sent.ok) return setProblem(sent);
    setSaved((all) => all.slice(0, -1));
    setDraft(lastSaved.seatId, { judgementId: uuid(), entry: lastSaved.entry, past: [], unsure: false, correcting: lastSaved.correcting });
    setSeatId(lastSaved.seatId);
    setNotice(`${seats.find(({ id }) => id === lastSaved.seatId)?.number}-${lastSaved.number} taken back; it is on the screen again.`);
    router.refresh();
  };
  const correct = (union: BenchUnion, judgement: BenchJudgement): void => {
    setNotice('');
    setDraft(seat.id, { judgementId: uuid(), entry: entryOf(method, judgement.measures, judgement.marks, judgement.note, unit, judgement.id), past: [], unsure: false, correcting: union.number });
    form.current?.scrollIntoView({ block: 'nearest' });
  };

  const onKeys = (event: KeyboardEvent<HTMLFormElement>): void => {
    const target = event.target as HTMLElement;
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
    // Letters mark; fields for words keep them.
    if (event.ctrlKey || event.metaKey || event.altKey || target.tagName === 'TEXTAREA' || !/^[a-z]$/i.test(event.key)) return;
    event.preventDefault();
    const letter = event.key.toLowerCase();
    if (letter === 'q') return setCaution(true);
    if (letter === 'z') return void undo();
    const point = read.drawn.grades.find((candidate) => candidate.point.letter === letter && candidate.point.faults.length > 0)?.point;
    if (point) mark(point);
  };
  const onSubmit = (event: FormEvent): void => {
    event.preventDefault();
    void save('next');
  };

  const ghost = read.corrections.find((correction) => correction.ghost !== undefined)?.ghost ?? null;
  const stopped = read.drawn.grades.map(({ point }) => point).find(({ id }) => id === 'safe-hands');
  return (
    <div id="bench" className="grid grid-cols-[minmax(0,1fr)] gap-x-5 gap-y-3 max-lg:pb-44 lg:grid-cols-[9.6rem_minmax(0,1fr)_21.5rem]">
      <div className="lg:row-span-2"><SeatStrip seats={seats} unions={unions} open={seat.id} drafts={Object.keys(drafts)} onOpen={openSeat} /></div>
      <form ref={form} onSubmit={onSubmit} onKeyDown={onKeys} noValidate className="contents">
        <div className="order-2 min-w-0 lg:order-none">
          <UnionStage
            assessment={read.drawn.assessment} unit={unit} ghost={ghost} assumed={!read.judged} level={level} onMark={mark}
            points={read.drawn.grades.map(({ point, grade }) => ({ point, grade, marked: entry.marks[point.id] !== undefined }))}
          />
        </div>
        <div className="order-1 flex min-w-0 flex-col gap-2.5 lg:order-none">
          <div className="flex items-baseline justify-between gap-3">
            <h1><span data-testid="called">{called}</span> <span className="text-base font-normal">{seat.name}{draft?.correcting ? ', correcting' : ''}</span>{!seat.briefed && <Link href={`/workshops/${workshopId}/teach/briefing`} className="ml-2 border-2 border-ink px-1.5 text-sm font-bold whitespace-nowrap no-underline">not briefed</Link>}</h1>
            <p className="text-sm whitespace-nowrap"><span role="status" className="font-bold">{notice}</span> <span className="text-muted">lengths in {unit}</span></p>
          </div>
          {fromPaper && (
            <label className="block text-sm font-bold">
              Sheet filled in at
              <input type="datetime-local" name="filledInAt" value={filledIn} onChange={(event) => setFilledIn(event.target.value)} aria-invalid={problem?.fields.filledInAt !== undefined} className="bench-input font-normal" />
            </label>
          )}
          <Figures method={method} entry={entry} unit={unit} measures={read.measures} errors={{ ...problem?.fields, ...read.errors }} onChange={edit} />
        </div>
        <div className="order-3 flex min-w-0 flex-wrap items-start gap-x-5 gap-y-2 sm:flex-nowrap lg:order-none">
          <Verdict judged={read.judged} best={read.best} corrections={read.corrections} outside={read.outside} last={compared} called={called} unit={unit} />
          {section && <SectionAtLevel section={section} reach={reach} unit={unit} level={level} onLevel={setLevel} />}
        </div>
        <div className="order-4 flex min-w-0 flex-col gap-2.5 lg:order-none">
          <label className="grid grid-cols-[auto_1fr] items-center gap-3 text-sm font-bold">
            Note
            <textarea name="note" rows={1} maxLength={500} value={entry.note} onChange={(event) => edit({ ...entry, note: event.target.value })} className="bench-input min-h-9 font-normal" />
          </label>
          <div className="grid grid-cols-2 gap-2 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:z-20 max-lg:border-t-2 max-lg:border-ink max-lg:bg-paper max-lg:px-4 max-lg:py-2">
            <div className="col-span-2"><Problem>{problem?.message}</Problem></div>
            <p className="col-span-2 flex items-baseline gap-2 lg:hidden" aria-hidden>
              <span className="text-2xl leading-none font-bold">{read.judged ? scoreText(read.judged.score) : '–'}</span>
              <span className="truncate">{read.judged ? `${called}, ${read.judged.assessment.contactGrade.words}` : `${called}: ${read.missing.length} of ${method.fields.filter(({ place }) => place === 'first').length} figures to enter`}</span>
            </p>
            <button type="submit" data-save className="bench-button" data-weight="main" disabled={busy}>{busy ? 'Saving' : problem && draft?.unsure ? 'Try again' : draft?.correcting ? 'Save correction' : 'Save, next seat'}</button>
            <button type="button" className="bench-button" disabled={busy} onClick={() => void save('same')}>Save, same seat</button>
            <span className="col-span-2 grid grid-cols-[auto_1fr_auto] gap-2">
              <button type="button" className="bench-button px-3" disabled={!canUndo || busy} onClick={() => void undo()}>
                {(draft?.past.length ?? 0) > 0 || !lastSaved ? 'Undo' : `Take back ${seats.find(({ id }) => id === lastSaved.seatId)?.number}-${lastSaved.number}`} <kbd className="text-xs font-normal">Z</kbd>
              </button>
              {stopped && <button type="button" className="bench-button px-1" data-weight={entry.marks[stopped.id] === 'fatal' ? 'loud' : undefined} onClick={() => mark(stopped)}>Stopped for safety <kbd className="text-xs font-normal">S</kbd></button>}
              <button type="button" className="bench-button px-2" onClick={() => setCaution(true)} aria-label="Knife caution, key Q">Knife <kbd className="text-xs font-normal">Q</kbd></button>
            </span>
            {draft?.correcting != null && <button type="button" className="bench-button col-span-2" onClick={() => setDraft(seat.id, null)}>Leave {called} as it was</button>}
          </div>
        </div>
      </form>
      <div className="order-5 lg:order-none lg:col-span-3">
        <Attempts seatNumber={seat.number} unions={own} mayChange onCorrect={correct} />
      </div>
      <SheetDialog title="Knives" description="Say it before the next cut." open={caution} onOpenChange={setCaution}>
        <p className="text-lg">{method.knifeCaution}</p>
        <p>If a cut is not safe, stop it: press S or tap “Stopped for safety”. It is a fatal mark for this union and says nothing about the next.</p>
      </SheetDialog>
    </div>
  );
}

/** Names in a sentence: "a, b and c". */
function listed(names: string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
