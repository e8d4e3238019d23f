'use client';

import { useEffect, useState } from 'react';
import type { BriefingText } from '@/core/teach/briefing/briefing-text';
import type { StepSheet } from '@/core/teach/step-sheets';
import type { TeachingState } from '@/core/teach/teaching-state';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { RunDown } from './run-down';
import { useTeaching } from './use-teaching';

const VIEW = { side: 'cut through, from the side', front: 'from the front' };

interface TeachingScreenProps {
  workshopId: string;
  title: string;
  steps: StepSheet[];
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

/** A drawing as large as its place. */
function Panel({
  drawing,
  title,
  caption,
  wrong = false,
}: {
  drawing: StepSheet['drawing'];
  title: string;
  caption: string | null;
  wrong?: boolean;
}) {
  const [size, setSize] = useState({ width: 600, height: 600 });
  const [place, setPlace] = useState<HTMLDivElement | null>(null);
  useEffect(() => {
    if (!place) return;
    const watch = new ResizeObserver(([entry]) =>
      setSize({ width: entry!.contentRect.width, height: entry!.contentRect.height }),
    );
    watch.observe(place);
    return () => watch.disconnect();
  }, [place]);
  const width = Math.min(size.width, (size.height * drawing.width) / drawing.height);
  return (
    <figure
      className={`flex min-h-0 min-w-0 flex-1 flex-col border-4 ${wrong ? 'border-loud' : 'border-line'} p-[0.8vh]`}
    >
      {caption && (
        <figcaption
          className={`${wrong || caption === 'Right' ? 'text-[3vh] font-bold' : 'text-[2vh] text-muted'} ${wrong ? 'text-loud' : ''}`}
        >
          {wrong ? '✕ ' : ''}
          {caption}
        </figcaption>
      )}
      <div ref={setPlace} className="grid min-h-0 grow place-content-center overflow-hidden">
        <UnionDrawing
          drawing={drawing}
          width={Math.max(60, width)}
          title={title}
          words={Math.max(15, Math.min(26, size.height / 26))}
        />
      </div>
    </figure>
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
  step: StepSheet;
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

interface StepWordsProps {
  step: StepSheet;
  state: TeachingState;
}

/** Its figures, and what to look for. */
function StepWords({ step, state }: StepWordsProps) {
  return (
    <div className="flex min-h-0 flex-col gap-[2vh] overflow-hidden text-[2.9vh] leading-snug">
      {step.figures.length > 0 && (
        <dl className="border-b-2 border-line pb-[1.5vh]">
          {step.figures.map((figure) => (
            <div key={figure.name} className="flex items-baseline justify-between gap-4">
              <dt className="text-muted">{figure.name}</dt>
              <dd className="text-[4.4vh] font-bold tabular-nums">{figure.text}</dd>
            </div>
          ))}
        </dl>
      )}
      <p>{step.lookFor}</p>
      {state.panel === 'both' && (
        <p className="border-l-8 border-loud pl-4">
          {step.wrong.what} {step.wrong.looks}
        </p>
      )}
      {step.blocks && <p className="border-l-8 border-ink pl-4 font-bold">{step.blocks}</p>}
      {state.panel === 'right' && step.lines && (
        <Panel drawing={step.lines} title="The lines that must meet" caption="these lines must meet" />
      )}
    </div>
  );
}

interface StepTitleProps {
  at: number;
  steps: TeachingScreenProps['steps'];
  step: StepSheet;
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
        {title}
        {!connected && (
          <span role="status" className="block font-bold text-ink">
            line lost, trying again
          </span>
        )}
      </p>
    </header>
  );
}

interface DrawingsProps {
  state: TeachingState;
  step: StepSheet;
  at: number;
}

/** The step's drawings. */
function Drawings({ state, step, at }: DrawingsProps) {
  return (
    <div
      className={`mt-[1.5vh] grid min-h-0 gap-[2vw] ${state.panel === 'both' ? 'grid-cols-[minmax(0,1fr)_minmax(0,1fr)_22vw]' : 'grid-cols-[minmax(0,1fr)_30vw]'}`}
    >
      {state.panel === 'both' ? (
        <Panel drawing={step.drawing} title={`After step ${at + 1}`} caption="Right" />
      ) : (
        <div className="flex min-h-0 min-w-0 gap-[1vw]">
          <Panel drawing={step.drawing} title={`After step ${at + 1}, ${VIEW[step.view]}`} caption={VIEW[step.view]} />
          <Panel
            drawing={step.other}
            title={`The same, ${VIEW[step.view === 'side' ? 'front' : 'side']}`}
            caption={VIEW[step.view === 'side' ? 'front' : 'side']}
          />
        </div>
      )}
      {state.panel === 'both' &&
        (step.wrongDrawing ? (
          <Panel drawing={step.wrongDrawing} title={`Wrong: ${step.wrong.what}`} caption="Wrong" wrong />
        ) : (
          <div className="grid place-content-center border-4 border-dashed border-muted p-[2vw] text-center">
            <p className="text-[3vh] font-bold">Wrong</p>
            <p className="text-[3.4vh]">
              {step.wrong.what} {step.wrong.looks}
            </p>
          </div>
        ))}
      <StepWords step={step} state={state} />
    </div>
  );
}
