'use client';

import { useState } from 'react';
import type { AskedCount } from '@/core/teach/questions/question-kinds';
import type { DayStep } from '@/core/teach/day-steps';
import type { TeachingState } from '@/core/teach/teaching-state';
import { AskedKeys, type AskedKeysProps } from './asked-keys';
import { RunDown } from './run-down';
import { type Teaching, useTeaching } from './use-teaching';

interface RemoteProps {
  workshopId: string;
  title: string;
  steps: Pick<DayStep, 'id' | 'method' | 'methodId' | 'stepId' | 'action' | 'lookFor' | 'wrong' | 'blocks'>[];
  asked: AskedCount[];
  /** Short answers by method, step and kind. */
  answers: Record<string, Record<string, AskedKeysProps['answers']>>;
  initial: TeachingState;
  mayChange: boolean;
}

/** Lengths of the run-down offered, seconds. */
const RUN_DOWNS = [60, 180, 300, 600];

/** The instructor's phone: what the wall shows, and what it shows next. */
export function Remote({ workshopId, title, steps, asked, answers, initial, mayChange }: RemoteProps) {
  const { state, endsAt, connected, problem, show } = useTeaching(workshopId, initial);
  const [counts, setCounts] = useState(asked);
  const at = Math.min(state.step, steps.length - 1);
  const step = steps[at]!;
  const next = steps[at + 1];
  const go = (to: number): void =>
    show({ step: Math.max(0, Math.min(steps.length - 1, to)), blank: false, briefing: false });
  return (
    <main className="sun mx-auto flex min-h-dvh max-w-md flex-col gap-3 bg-paper p-4 text-ink">
      <p className="flex items-baseline justify-between gap-2 text-sm">
        <span className="truncate">{title}</span>
        <span role="status" className={connected ? 'text-muted' : 'bg-loud px-2 font-bold text-white'}>
          {connected ? 'on the wall' : 'line lost, trying again'}
        </span>
      </p>
      <RemoteStep at={at} steps={steps} state={state} step={step} />
      {state.timer && endsAt !== null && <RunDown endsAt={endsAt} seconds={state.timer.seconds} />}
      {problem && (
        <p role="alert" className="border-l-4 border-loud pl-2 font-bold">
          {problem}
        </p>
      )}
      {mayChange ? (
        <>
          <MethodJumps steps={steps} at={at} go={go} />
          <RemoteKeys at={at} go={go} next={next} state={state} show={show} />
          <AskedKeys
            key={step.id}
            workshopId={workshopId}
            method={step.methodId}
            step={step.stepId}
            asked={counts.filter((count) => count.method === step.methodId && count.step === step.stepId)}
            answers={answers[step.methodId]![step.stepId]!}
            mayNote
            onCounts={setCounts}
          />
        </>
      ) : (
        <p className="mt-auto border-t border-line pt-2">
          You may look; only the lead or an assistant may turn the pages.
        </p>
      )}
    </main>
  );
}

interface MethodJumpsProps extends Pick<RemoteProps, 'steps'> {
  at: number;
  go: (to: number) => void;
}

/** The methods of the day, to go to the first step of each; nothing where there is one. */
function MethodJumps({ steps, at, go }: MethodJumpsProps) {
  const methods = [...new Set(steps.map(({ method }) => method))];
  if (methods.length < 2) return null;
  return (
    <div className="flex flex-wrap gap-1" role="group" aria-label="Method on the wall">
      {methods.map((method) => (
        <button
          key={method}
          type="button"
          className="bench-button px-3"
          aria-pressed={steps[at]!.method === method}
          onClick={() => go(steps.findIndex((step) => step.method === method))}
        >
          {method}
        </button>
      ))}
    </div>
  );
}

interface RemoteKeysProps {
  at: number;
  go: (to: number) => void;
  next: RemoteProps['steps'][number] | undefined;
  state: TeachingState;
  show: Teaching['show'];
}

/** What the wall shows. */
function RemoteKeys({ at, go, next, state, show }: RemoteKeysProps) {
  return (
    <div className="mt-auto grid grid-cols-2 gap-2">
      <button type="button" className="bench-button min-h-20! text-xl" disabled={at === 0} onClick={() => go(at - 1)}>
        Back
      </button>
      <button
        type="button"
        className="bench-button min-h-20! text-xl"
        data-weight="main"
        disabled={!next}
        onClick={() => go(at + 1)}
      >
        Next
      </button>
      <p className="col-span-2 min-h-12 text-sm text-muted">
        {next ? `Next: ${next.action}` : 'That was the last step.'}
      </p>
      <button
        type="button"
        className="bench-button"
        aria-pressed={state.panel === 'both'}
        onClick={() => show({ panel: state.panel === 'both' ? 'right' : 'both' })}
      >
        {state.panel === 'both' ? 'Right only' : 'Wrong beside right'}
      </button>
      <button
        type="button"
        className="bench-button"
        aria-pressed={state.blank}
        onClick={() => show({ blank: !state.blank })}
      >
        {state.blank ? 'Show again' : 'Blank'}
      </button>
      <button
        type="button"
        className="bench-button col-span-2"
        aria-pressed={state.briefing}
        onClick={() => show({ briefing: !state.briefing, blank: false })}
      >
        {state.briefing ? 'Back to the steps' : 'Safety briefing on the wall'}
      </button>
      <div className="col-span-2 grid grid-cols-5 gap-1" role="group" aria-label="Everyone cuts now, for">
        {RUN_DOWNS.map((seconds) => (
          <button key={seconds} type="button" className="bench-button px-1!" onClick={() => show({ timer: seconds })}>
            {seconds / 60} min
          </button>
        ))}
        <button type="button" className="bench-button px-1!" disabled={!state.timer} onClick={() => show({ timer: 0 })}>
          Stop
        </button>
      </div>
    </div>
  );
}

interface RemoteStepProps {
  at: number;
  steps: RemoteProps['steps'];
  state: TeachingState;
  step: RemoteProps['steps'][number];
}

/** The step that is on the wall. */
function RemoteStep({ at, steps, state, step }: RemoteStepProps) {
  return (
    <section className="border-t-4 border-ink pt-2" aria-live="polite">
      <h1 className="text-lg! font-normal!">
        <span className="text-4xl font-bold tabular-nums" data-testid="step">
          {at + 1}
        </span>{' '}
        of {steps.length}
        {state.blank ? ', blank' : state.briefing ? ', safety briefing' : ''}
      </h1>
      <p className="text-xl font-bold">{step.action}</p>
      <p className="mt-1">{step.lookFor}</p>
      <p className="mt-1 text-muted">
        Wrong: {step.wrong.what} {step.wrong.looks}
      </p>
      {step.blocks && <p className="mt-1 border-l-4 border-ink pl-2 font-bold">{step.blocks}</p>}
    </section>
  );
}
