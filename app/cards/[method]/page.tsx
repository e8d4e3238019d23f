import type { LengthUnit } from '@/core/units/length';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { METHODS } from '@/core/methods/registry';
import { type Choices, chosen } from '@/core/methods/school';
import { fittingWood } from '@/core/teach/fitting-wood';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { filedBodies, filedSteps } from '@/server/teach/drawing-files';
import { bodiesDrawnAlready, drawnBodies } from '@/server/teach/drawn-bodies';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { WrapStrip } from '@/ui/teach/wrap-strip';
import { KeepOffline } from '@/ui/teach/keep-offline';
import { currentActor } from '../../_http/session';

export const metadata: Metadata = { title: 'Card', robots: { index: false } };

type Query = Record<string, string | string[] | undefined>;

/** A method for the student at the bench: steps and figures only. Anybody may open it; it names nobody. */
export default async function Card({
  params,
  searchParams,
}: {
  params: Promise<{ method: string }>;
  searchParams: Promise<Query>;
}) {
  const { method: id } = await params;
  const query = await searchParams;
  const method = METHODS.find((method) => method.id === id);
  if (!method) notFound();
  const asked = (name: string): number | null =>
    typeof query[name] === 'string' && query[name] !== '' ? Number(query[name]) : null;
  const actor = await currentActor();
  const unit: LengthUnit = query.unit === 'in' || actor?.lengthUnit === 'in' ? 'in' : 'mm';
  const { wood, problem } = fittingWood(method, { stock: asked('stock'), scion: asked('scion') }, unit, STOCK_RANGES);
  const choices: Choices = Object.fromEntries(
    method.schools.map((question) => [
      question.id,
      chosen({ [question.id]: String(query[question.id] ?? '') }, question),
    ]),
  );
  const drawn = { method, choices, wood, unit, theme: 'sun' as const };
  const steps = filedSteps(drawn);
  const found = await (actor ? drawnBodies : bodiesDrawnAlready)(method, choices, wood, unit);
  const bodies = found && filedBodies(found, drawn);
  return (
    <main className="sun mx-auto min-h-dvh max-w-xl bg-paper p-4 text-ink">
      <h1 className="text-3xl!">{method.name}</h1>
      {problem && (
        <p role="alert" className="my-2 border-l-4 border-ink pl-3 font-bold">
          {problem} The figures below are those of the usual pair.
        </p>
      )}
      <ol className="mt-3 border-t-4 border-ink">
        {steps.map((step, i) => (
          <li key={step.id} className="grid grid-cols-[2.8rem_minmax(0,1fr)] gap-x-3 border-b-2 border-line py-4">
            <span className="text-4xl leading-none font-bold tabular-nums" aria-hidden>
              {i + 1}
            </span>
            <div>
              <p className="text-2xl leading-snug font-bold">{step.action}</p>
              <UnionDrawing
                drawing={bodies?.[i]?.right ?? step.drawing}
                width={280}
                title={`After step ${i + 1}: ${step.action}`}
                className="my-3 max-w-full"
              />
              {step.wrap && <WrapStrip pictures={step.wrap} />}
              {step.figures.map((figure) => (
                <p key={figure.name} className="mt-1 text-2xl tabular-nums">
                  {figure.name} <strong className="text-3xl">{figure.text}</strong>
                </p>
              ))}
              {step.blocks && <p className="mt-2 border-l-8 border-ink pl-3 text-xl font-bold">{step.blocks}</p>}
              {step.caution && <p className="mt-2 border-l-8 border-loud pl-3 text-lg">{step.caution.text}</p>}
            </div>
          </li>
        ))}
      </ol>
      <KeepOffline />
    </main>
  );
}
