'use client';

import { useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { type AskedCount, QUESTION_KINDS, type QuestionKind } from '@/core/teach/questions/question-kinds';
import type { ShortAnswer } from '@/core/teach/questions/short-answer';
import { send } from '@/ui/kit/form/send';

export interface AskedKeysProps {
  workshopId: string;
  method: string;
  step: string;
  /** How often what was asked here before. */
  asked: readonly AskedCount[];
  answers: Record<QuestionKind, ShortAnswer>;
  mayNote: boolean;
  onCounts?: (counts: AskedCount[]) => void;
}

/** How long an answer may take, ms, and within what time two taps on one key are one. */
const PATIENCE = 5000;
const ONE_TAP = 700;

/** What learners ask at a step: noted with one tap, and what was asked most stands there with its short answer. */
export function AskedKeys({ workshopId, method, step, asked, answers, mayNote, onCounts }: AskedKeysProps) {
  const [counts, setCounts] = useState(asked);
  const [noted, setNoted] = useState<{ id: string; kind: QuestionKind } | null>(null);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  /** Sent without an answer: pressed again it goes under the same id, and counts once. */
  const unanswered = useRef<{ id: string; kind: QuestionKind } | null>(null);
  /** The last tap: two taps on one key within a moment are one. */
  const tapped = useRef<{ kind: QuestionKind; at: number } | null>(null);
  const take = (next: AskedCount[]): void => {
    setCounts(next);
    onCounts?.(next);
  };
  const address = `/api/workshops/${workshopId}/questions`;
  const countOf = (kind: QuestionKind): AskedCount | undefined =>
    counts.find((count) => count.method === method && count.step === step && count.kind === kind);
  const most = QUESTION_KINDS.filter(({ id }) => (countOf(id)?.ever ?? 0) > 0)
    .sort((a, b) => countOf(b.id)!.ever - countOf(a.id)!.ever)
    .slice(0, 2);
  const shown = noted ? [QUESTION_KINDS.find(({ id }) => id === noted.kind)!] : most;
  const note = async (kind: QuestionKind, at: number): Promise<void> => {
    const again = tapped.current?.kind === kind && at - tapped.current.at < ONE_TAP;
    if (busy || again) return;
    tapped.current = { kind, at };
    const id = unanswered.current?.kind === kind ? unanswered.current.id : uuid();
    const question = { id, method, step, kind };
    setBusy(true);
    let sent = await send<AskedCount[]>('POST', address, question, PATIENCE);
    if (!sent.ok && sent.status === 0) sent = await send<AskedCount[]>('POST', address, question, PATIENCE);
    setBusy(false);
    unanswered.current = sent.ok ? null : { id, kind };
    setProblem(sent.ok ? '' : sent.message);
    setNoted(sent.ok ? { id, kind } : null);
    if (sent.ok) take(sent.data);
  };
  const takeBack = async (): Promise<void> => {
    if (!noted || busy) return;
    setBusy(true);
    const sent = await send<AskedCount[]>('DELETE', address, { id: noted.id }, PATIENCE);
    setBusy(false);
    setProblem(sent.ok ? '' : sent.message);
    if (!sent.ok) return;
    take(sent.data);
    setNoted(null);
  };
  if (!mayNote && most.length === 0) return null;
  return (
    <div className="flex flex-col gap-2">
      {mayNote && <Keys hereOf={(kind) => countOf(kind)?.here ?? 0} onAsk={(kind, at) => void note(kind, at)} />}
      <div role="status" className="empty:hidden">
        {busy && <p className="text-sm">Being noted…</p>}
        {noted && !busy && (
          <p className="text-sm">
            Noted.{' '}
            <button type="button" className="min-h-11 underline" onClick={() => void takeBack()}>
              Take it back
            </button>
          </p>
        )}
      </div>
      {problem && (
        <p role="alert" className="border-l-4 border-loud pl-2 font-bold">
          {problem}
        </p>
      )}
      {shown.map(({ id, words }) => (
        <Answered key={id} words={words} times={countOf(id)?.ever ?? 0} answer={answers[id]} />
      ))}
    </div>
  );
}

interface KeysProps {
  hereOf: (kind: QuestionKind) => number;
  onAsk: (kind: QuestionKind, at: number) => void;
}

/** A key for each kind of question, with how often it was asked today. */
function Keys({ hereOf, onAsk }: KeysProps) {
  return (
    <div role="group" aria-label="Somebody asks" className="flex flex-wrap items-center gap-1">
      <span className="text-sm text-muted">Somebody asks:</span>
      {QUESTION_KINDS.map(({ id, words }) => (
        <button
          key={id}
          type="button"
          className="bench-button min-h-11 px-2! text-sm"
          onClick={(event) => onAsk(id, event.timeStamp)}
        >
          {words} {hereOf(id) > 0 && <span className="tabular-nums">{hereOf(id)}</span>}
        </button>
      ))}
    </div>
  );
}

/** A question with how often it was asked, its short answer, and where practitioners differ. */
function Answered({ words, times, answer }: { words: string; times: number; answer: ShortAnswer }) {
  return (
    <section className="border-l-4 border-ink bg-mist py-1 pl-3">
      <p className="font-bold">
        {words}{' '}
        {times > 0 && <span className="font-normal">asked {times === 1 ? 'once' : `${times} times`} so far</span>}
      </p>
      <p>{answer.text}</p>
      {answer.schools.length > 0 && (
        <ul className="mt-1 text-sm">
          {answer.schools.map(({ question, followed, others }) => (
            <li key={question}>
              <span className="text-muted">{question}:</span> {followed}
              {others.length > 0 && <span className="text-muted">; others: {others.join(', or ')}</span>}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
