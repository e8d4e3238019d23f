import type { ReactNode } from 'react';
import { shownWrong } from '@/core/teach/shown-wrong';
import type { StepBody } from '@/core/teach/step-bodies';
import type { StepSheet } from '@/core/teach/step-sheets';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { TurnIt } from './turn-it';
import { WrapStrip } from './wrap-strip';

/** Height the drawings of steps share, px: one scale from step to step as far as the wood allows. */
const DRAWN = 330;

export interface StepListProps {
  steps: StepSheet[];
  /** The steps as bodies; null while they are still being drawn. */
  bodies: readonly StepBody[] | null;
  /** Where the meshes of a step are, but for the step; left out where it cannot be turned. */
  meshes?: { path: string; query: string };
  /** What is asked at each step, by the step's id. */
  asked?: Record<string, ReactNode>;
}

/** A method cut by cut: each step with the pieces as they are after it, what to look for and what goes wrong. */
export function StepList({ steps, bodies, meshes, asked }: StepListProps) {
  return (
    <ol className="border-t-2 border-ink">
      {steps.map((step, i) => (
        <li
          key={step.id}
          id={`step-${step.id}`}
          className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-3 border-b border-line py-5 lg:grid-cols-[minmax(0,8fr)_minmax(0,6fr)]"
        >
          <StepDrawings step={step} at={i} body={bodies?.[i] ?? null} />
          <div className="flex min-w-0 flex-col gap-4">
            <StepWords step={step} at={i}>
              {meshes && (
                <TurnIt
                  from={`${meshes.path}/${step.id}?${meshes.query}`}
                  title={`After step ${i + 1}: ${step.action}`}
                />
              )}
            </StepWords>
            {asked?.[step.id]}
          </div>
          {step.wrap && <WrapStrip pictures={step.wrap} />}
        </li>
      ))}
    </ol>
  );
}

interface OfStep {
  step: StepSheet;
  body: StepBody | null;
}

function StepDrawings({ step, at, body }: OfStep & { at: number }) {
  const after = `After step ${at + 1}: ${step.action}`;
  return (
    <div className="flex flex-wrap items-stretch gap-3 self-start" style={{ minHeight: DRAWN + 40 }}>
      {body && <Drawn drawing={body.right} title={`${after}, as you see it`} caption="as you see it" />}
      {(!step.noCut || !body) && (
        <Drawn
          drawing={step.drawing}
          title={after}
          caption={step.view === 'side' ? 'cut through, from the side' : 'from the front'}
        />
      )}
      {step.lines && <Drawn drawing={step.lines} title="The lines that must meet" caption="the lines that must meet" />}
      <GoneWrong step={step} body={body} />
    </div>
  );
}

function GoneWrong({ step, body }: OfStep) {
  const shown = shownWrong(step, body);
  return (
    shown && (
      <Drawn
        drawing={shown.wrong}
        title={`Gone wrong: ${step.wrong.what} ${step.wrong.looks}`}
        caption="gone wrong"
        wrong
      />
    )
  );
}

function StepWords({ step, at, children }: { step: StepSheet; at: number; children: ReactNode }) {
  return (
    <div className="min-w-0">
      <h3 className="flex gap-3 text-2xl leading-snug font-bold">
        <span className="text-4xl leading-none tabular-nums" aria-hidden>
          {at + 1}
        </span>
        <span>
          <span className="sr-only">{at + 1}. </span>
          {step.action}
        </span>
      </h3>
      {step.figures.length > 0 && (
        <dl className="mt-3 flex flex-wrap gap-x-6 gap-y-1">
          {step.figures.map((figure) => (
            <div key={figure.name}>
              <dt className="inline text-muted">{figure.name} </dt>
              <dd className="inline text-lg font-bold tabular-nums">{figure.text}</dd>
              {figure.range && <dd className="inline text-sm text-muted"> ({figure.range})</dd>}
            </div>
          ))}
        </dl>
      )}
      <p className="mt-3">
        <span className="text-muted">Look for:</span> {step.lookFor}
      </p>
      <p className="mt-2">
        <span className="text-muted">Goes wrong:</span> {step.wrong.what} {step.wrong.looks}
      </p>
      {step.blocks && <p className="mt-3 border-l-4 border-ink pl-3 font-bold">Often forgotten. {step.blocks}</p>}
      {step.caution && (
        <p className="mt-3 border-l-4 border-loud pl-3">
          <strong>{step.caution.title}.</strong> {step.caution.text}
        </p>
      )}
      {children && <p className="mt-4">{children}</p>}
    </div>
  );
}

interface DrawnProps {
  drawing: StepSheet['drawing'];
  title: string;
  caption: string;
  wrong?: boolean;
}

function Drawn({ drawing, title, caption, wrong = false }: DrawnProps) {
  const width = Math.min(340, (drawing.width * DRAWN) / drawing.height);
  return (
    <figure
      className={`flex grow flex-col justify-between bg-sheet p-1 ${wrong ? 'border-4 border-loud' : 'border border-line'}`}
      style={{ borderRadius: '2px 14px 2px 14px', minWidth: Math.max(width + 12, 150) }}
    >
      <UnionDrawing drawing={drawing} width={width} title={title} className="mx-auto" />
      <figcaption className={`text-center text-sm ${wrong ? 'font-bold text-loud' : 'text-muted'}`}>
        {wrong ? '✕ ' : ''}
        {caption}
      </figcaption>
    </figure>
  );
}
