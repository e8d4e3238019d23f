import type { StepSheet } from '@/core/teach/step-sheets';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

/** Height the drawings of steps share, px: one scale from step to step as far as the wood allows. */
const DRAWN = 300;

/** A method cut by cut: each step with the pieces as they are after it, what to look for and what goes wrong. */
export function StepList({ steps }: { steps: StepSheet[] }) {
  return (
    <ol className="border-t-2 border-ink">
      {steps.map((step, i) => (
        <li
          key={step.id}
          id={`step-${step.id}`}
          className="grid grid-cols-[minmax(0,1fr)] gap-x-5 gap-y-3 border-b border-line py-4 md:grid-cols-[3rem_minmax(0,1fr)_auto]"
        >
          <p className="text-4xl leading-none font-bold tabular-nums" aria-hidden>
            {i + 1}
          </p>
          <div className="min-w-0 max-w-[34rem]">
            <h3 className="text-xl leading-snug font-bold">
              <span className="sr-only">{i + 1}. </span>
              {step.action}
            </h3>
            {step.figures.length > 0 && (
              <dl className="mt-2 flex flex-wrap gap-x-6 gap-y-1">
                {step.figures.map((figure) => (
                  <div key={figure.name}>
                    <dt className="inline text-muted">{figure.name} </dt>
                    <dd className="inline text-lg font-bold tabular-nums">{figure.text}</dd>
                    {figure.range && <dd className="inline text-sm text-muted"> ({figure.range})</dd>}
                  </div>
                ))}
              </dl>
            )}
            <p className="mt-2">
              <span className="text-muted">Look for:</span> {step.lookFor}
            </p>
            <p className="mt-1">
              <span className="text-muted">Goes wrong:</span> {step.wrong.what} {step.wrong.looks}
            </p>
            {step.blocks && <p className="mt-2 border-l-4 border-ink pl-3 font-bold">Often forgotten. {step.blocks}</p>}
            {step.caution && (
              <p className="mt-2 border-l-4 border-loud pl-3">
                <strong>{step.caution.title}.</strong> {step.caution.text}
              </p>
            )}
          </div>
          {!step.noCut && (
            <div className="flex flex-wrap items-end gap-3 md:justify-end">
              <Drawn
                drawing={step.drawing}
                title={`After step ${i + 1}: ${step.action}`}
                caption={step.view === 'side' ? 'cut through, from the side' : 'from the front'}
              />
              {step.lines && (
                <Drawn drawing={step.lines} title="The lines that must meet" caption="the lines that must meet" />
              )}
              {step.wrongDrawing && (
                <details className="group">
                  <summary className="flex min-h-11 cursor-pointer items-center border-2 border-line px-3 font-bold">
                    Gone wrong
                  </summary>
                  <Drawn
                    drawing={step.wrongDrawing}
                    title={`Gone wrong: ${step.wrong.what} ${step.wrong.looks}`}
                    caption={step.wrong.looks}
                  />
                </details>
              )}
            </div>
          )}
        </li>
      ))}
    </ol>
  );
}

function Drawn({ drawing, title, caption }: { drawing: StepSheet['drawing']; title: string; caption: string }) {
  const width = Math.min(360, (drawing.width * DRAWN) / drawing.height);
  return (
    <figure
      className="border border-line bg-sheet p-1"
      style={{ borderRadius: '2px 14px 2px 14px', width: Math.max(width + 12, 150) }}
    >
      <UnionDrawing drawing={drawing} width={width} title={title} className="mx-auto" />
      <figcaption className="text-center text-sm text-muted">{caption}</figcaption>
    </figure>
  );
}
