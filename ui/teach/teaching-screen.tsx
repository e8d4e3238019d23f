'use client';

import { useEffect } from 'react';
import type { BriefingText } from '@/core/teach/briefing/briefing-text';
import type { DayStep } from '@/core/teach/day-steps';
import type { TeachingState } from '@/core/teach/teaching-state';
import { RunDown } from './run-down';
import { useTeaching } from './use-teaching';
import { Drawings } from './step-panels';

interface TeachingScreenProps {
  workshopId: string;
  title: string;
  steps: DayStep[];
  briefing: BriefingText;
  initial: TeachingState;
  mayChange: boolean;
  /** Seconds the run-down starts with. */
  seconds: number;
}

/** The projector: one step at a time, its drawing as large as the wall allows. Keys: arrows, W, T, B, S. */
export function TeachingScreen({
  workshopId,
  title,
  steps,
  briefing,
  initial,
  mayChange,
  seconds,
}: TeachingScreenProps) {
  const { state, endsAt, connected, problem, show } = useTeaching(workshopId, initial);
  const at = Math.min(state.step, steps.length - 1);
  const step = steps[at]!;
  useEffect(() => {
    if (!mayChange) return;
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const last = steps.length - 1;
      switch (event.key) {
        case 'ArrowRight':
        case 'ArrowDown':
        case 'PageDown':
        case ' ':
          show({ step: Math.min(last, at + 1), blank: false, briefing: false });
          break;
        case 'ArrowLeft':
        case 'ArrowUp':
        case 'PageUp':
          show({ step: Math.max(0, at - 1), blank: false, briefing: false });
          break;
        case 'Home':
          show({ step: 0, blank: false, briefing: false });
          break;
        case 'End':
          show({ step: last, blank: false, briefing: false });
          break;
        case 'w':
        case 'W':
          show({ panel: state.panel === 'both' ? 'right' : 'both' });
          break;
        case 't':
        case 'T':
          show({ timer: state.timer ? 0 : seconds });
          break;
        case 'b':
        case 'B':
        case '.':
          show({ blank: !state.blank });
          break;
        case 's':
        case 'S':
          show({ briefing: !state.briefing, blank: false });
          break;
        default:
          return;
      }
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [at, mayChange, seconds, show, state, steps.length]);

  if (state.blank)
    return (
      <main className="dim grid h-dvh place-content-center bg-paper text-muted" data-testid="blank">
        <h1 className="sr-only">{title}</h1>
        <p className="text-sm">blank; B shows the step again</p>
      </main>
    );
  if (state.briefing) return <BriefingWall briefing={briefing} connected={connected} />;
  return (
    <main
      className="dim grid h-dvh grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden bg-paper px-[2.5vw] py-[2.2vh] text-ink"
      data-step={at + 1}
    >
      <StepTitle at={at} steps={steps} step={step} title={title} connected={connected} />
      <Drawings state={state} step={step} at={at} />
      <StepFoot step={step} state={state} endsAt={endsAt} problem={problem} mayChange={mayChange} />
    </main>
  );
}

function BriefingWall({ briefing, connected }: { briefing: BriefingText; connected: boolean }) {
  return (
    <main className="dim h-dvh overflow-y-auto bg-paper px-[3vw] py-[3vh] text-ink" data-testid="briefing-wall">
      <h1 className="text-[5vh]!">
        Before the first cut
        {!connected && (
          <span role="status" className="ml-4 text-[2vh]">
            line lost, trying again
          </span>
        )}
      </h1>
      <ul className="mt-[2vh] grid grid-cols-2 gap-x-[3vw] gap-y-[2vh] text-[2.5vh] leading-snug">
        {briefing.cautions.map(({ id, title, text }) => (
          <li key={id} className="border-l-8 border-loud pl-4">
            <strong>{title}.</strong> {text}
          </li>
        ))}
      </ul>
      <p className="mt-[3vh] text-[3vh]">
        <strong>First aid:</strong> {briefing.firstAid || 'nobody is named yet'}. <strong>Kit:</strong>{' '}
        {briefing.kit || 'place not named yet'}.
      </p>
      {briefing.localRules && (
        <p className="mt-[1.5vh] text-[2.6vh] whitespace-pre-line">
          <strong>Here:</strong> {briefing.localRules}
        </p>
      )}
      <p className="mt-[2vh] text-[2vh] text-muted">{briefing.deference}</p>
    </main>
  );
}

interface StepFootProps {
  step: DayStep;
  state: TeachingState;
  endsAt: number | null;
  problem: string;
  mayChange: TeachingScreenProps['mayChange'];
}

/** The caution, and the time. */
function StepFoot({ step, state, endsAt, problem, mayChange }: StepFootProps) {
  return (
    <footer className="mt-[1.2vh] grid min-h-[8vh] grid-cols-[minmax(0,1fr)_30vw] items-end gap-[2vw] text-[2.2vh]">
      <div>
        {step.caution && (
          <p className="border-l-8 border-loud pl-4">
            <strong>{step.caution.title}.</strong> {step.caution.text}
          </p>
        )}
      </div>
      <div className="text-[2.8vh]">
        {state.timer && endsAt !== null && <RunDown endsAt={endsAt} seconds={state.timer.seconds} />}
        {problem && (
          <p role="alert" className="font-bold">
            {problem}
          </p>
        )}
        {!state.timer && mayChange && (
          <p className="text-right text-[1.7vh] text-muted">
            ← → step · W wrong beside right · T run-down · B blank · S safety
          </p>
        )}
      </div>
    </footer>
  );
}

interface StepTitleProps {
  at: number;
  steps: TeachingScreenProps['steps'];
  step: DayStep;
  title: TeachingScreenProps['title'];
  connected: boolean;
}

/** The step that is shown. */
function StepTitle({ at, steps, step, title, connected }: StepTitleProps) {
  return (
    <header className="flex items-start gap-[2vw]">
      <p className="text-[9vh] leading-none font-bold tabular-nums">
        {at + 1}
        <span className="text-[3vh] font-normal text-muted"> of {steps.length}</span>
      </p>
      <h1 className="max-w-[60vw] text-[4.6vh]! leading-tight!" aria-live="polite">
        {step.action}
      </h1>
      <p className="ml-auto max-w-[20vw] text-right text-[2vh] text-muted">
        {step.method}, {title}
        {!connected && (
          <span role="status" className="block font-bold text-ink">
            line lost, trying again
          </span>
        )}
      </p>
    </header>
  );
}
