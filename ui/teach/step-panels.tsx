'use client';

import { useEffect, useState } from 'react';
import type { DayStep } from '@/core/teach/day-steps';
import { shownWrong } from '@/core/teach/shown-wrong';
import type { WrapPicture } from '@/core/drawing/wrap-lesson';
import type { StepSheet } from '@/core/teach/step-sheets';
import type { TeachingState } from '@/core/teach/teaching-state';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

const VIEW = { side: 'cut through, from the side', front: 'from the front' };

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

/** Moments of the wrap beside one another, each as large as its place. */
function WrapPanels({ pictures }: { pictures: readonly WrapPicture[] }) {
  return (
    <div className="grid min-h-0 min-w-0 flex-1 grid-cols-2 grid-rows-2 gap-[1vh]">
      {pictures.slice(0, 4).map(({ id, caption, drawing, wrong }) => (
        <Panel key={id} drawing={drawing} title={caption} caption={caption} wrong={wrong} />
      ))}
    </div>
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

interface DrawingsProps {
  state: TeachingState;
  step: DayStep;
  at: number;
}

/** The step's drawings: as whoever cuts sees it, and cut through; or right beside wrong. */
export function Drawings({ state, step, at }: DrawingsProps) {
  const both = state.panel === 'both';
  const gone = shownWrong(step, step.body);
  const seen = step.body?.right ?? step.drawing;
  return (
    <div
      className={`mt-[1.5vh] grid min-h-0 gap-[2vw] ${both ? 'grid-cols-[minmax(0,1fr)_minmax(0,1fr)_22vw]' : 'grid-cols-[minmax(0,1fr)_30vw]'}`}
    >
      {both ? (
        <Panel drawing={gone?.right ?? seen} title={`After step ${at + 1}`} caption="Right" />
      ) : (
        <div className="flex min-h-0 min-w-0 gap-[1vw]">
          <Panel drawing={seen} title={`After step ${at + 1}, as you see it`} caption="as you see it" />
          {step.wrap ? (
            <WrapPanels pictures={step.wrap.filter(({ wrong }) => !wrong)} />
          ) : (
            (!step.noCut || !step.body) && (
              <Panel
                drawing={step.drawing}
                title={`After step ${at + 1}, ${VIEW[step.view]}`}
                caption={VIEW[step.view]}
              />
            )
          )}
        </div>
      )}
      {both &&
        (step.wrap ? (
          <WrapPanels pictures={step.wrap.filter(({ wrong }) => wrong)} />
        ) : gone ? (
          <Panel drawing={gone.wrong} title={`Wrong: ${step.wrong.what}`} caption="Wrong" wrong />
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
