import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { METHODS } from '@/core/methods/registry';
import { type Choices, chosen } from '@/core/methods/school';
import { fittingWood } from '@/core/teach/fitting-wood';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { parseDecimal } from '@/core/units/decimal';
import { formatLengthNumber, toMillimetres, type LengthUnit } from '@/core/units/length';
import { currentRule } from '@/server/teach/current-rule';
import { filedBodiesOf, filedStages, filedSteps, type StepsDrawn } from '@/server/teach/drawing-files';
import { MethodAfter, MethodFacts } from '@/ui/teach/method-facts';
import { OtherSchools } from '@/ui/teach/other-schools';
import { HealingStrip } from '@/ui/teach/healing-strip';
import { DrawnSteps } from '@/ui/teach/drawn-steps';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';
import type { Method, Wood } from '@/core/methods/method';

export const metadata: Metadata = { title: 'Method' };

type Query = Record<string, string | string[] | undefined>;

export default async function MethodPage({
  params,
  searchParams,
}: {
  params: Promise<{ method: string }>;
  searchParams: Promise<Query>;
}) {
  const { method: id } = await params;
  const query = await searchParams;
  const context = await pageContext();
  const method = METHODS.find((method) => method.id === id);
  if (!method) notFound();
  const unit = context.actor.lengthUnit;
  const asked = (name: string): number | null => {
    const text = query[name];
    if (typeof text !== 'string' || text.trim() === '') return null;
    const value = parseDecimal(text);
    return value === null ? Number.NaN : toMillimetres(value, unit);
  };
  const { wood, problem } = fittingWood(method, { stock: asked('stock'), scion: asked('scion') }, unit, STOCK_RANGES);
  const choices: Choices = Object.fromEntries(
    method.schools.map((question) => [
      question.id,
      chosen({ [question.id]: String(query[question.id] ?? '') }, question),
    ]),
  );
  const technique = method.technique(choices, wood);
  const rule = await currentRule(context, method.id, choices);
  const drawn = { method, choices, wood, unit, theme: 'page' as const };
  const steps = filedSteps(drawn);
  const paper = query.paper === 'Letter' ? 'Letter' : 'A4';
  const files = new URLSearchParams({ stock: String(wood.stock), scion: String(wood.scion), paper, ...choices });
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <p className="mb-1">
          <Link href="/methods">All methods</Link>
          <Link href={`/findings?method=${method.id}`} className="ml-4">
            What became of them here
          </Link>
        </p>
        <div className="mb-4 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
          <div>
            <h1 className="text-4xl!">{method.name}</h1>
            <p className="mb-3 max-w-prose text-lg">{method.purpose}</p>
            <MethodFacts method={method} tools={technique.tools} unit={unit} />
          </div>
          <DrawnForForm unit={unit} wood={wood} problem={problem} method={method} paper={paper} files={files} />
        </div>
        <OtherSchools form="drawn-for" questions={method.schools} choices={choices} unit={unit} />
        <h2 className="mb-2">Cut by cut</h2>
        <DrawnSteps
          steps={steps}
          bodies={filedBodiesOf(drawn)}
          meshes={{ path: `/api/methods/${method.id}/bodies`, query: String(files) }}
        />
        <WhatBecomes drawn={drawn} />
        <div className="mt-6">
          <MethodAfter method={method} technique={technique} wood={wood} rule={rule} unit={unit} />
        </div>
        <p className="mt-6 max-w-prose text-sm text-muted">
          Local rules, the club’s own rules and licensed practice come before anything on this page. Protected varieties
          and quarantined kinds may not be propagated freely: ask before you cut.
        </p>
      </main>
    </>
  );
}

/** Good and failed unions as time goes by, by variant. */
function WhatBecomes({ drawn }: { drawn: StepsDrawn }) {
  const { method } = drawn;
  return (
    <section className="mt-6" aria-labelledby="becomes-title">
      <h2 id="becomes-title" className="mb-2">
        What becomes of it
      </h2>
      {method.variants.map((variant, i) => (
        <details key={variant.id} open={i === 0} className="mb-4">
          <summary className="min-h-11 cursor-pointer py-2 font-bold">
            {method.name} {variant.words}
          </summary>
          <HealingStrip stages={filedStages(drawn, variant.id)} />
        </details>
      ))}
    </section>
  );
}

interface DrawnForFormProps {
  unit: LengthUnit;
  wood: Wood;
  problem: string | null;
  method: Method;
  paper: 'Letter' | 'A4';
  files: URLSearchParams;
}

/** The wood it is drawn for, and the paper it is printed on. */
function DrawnForForm({ unit, wood, problem, method, paper, files }: DrawnForFormProps) {
  return (
    <form id="drawn-for" method="get" className="board flex flex-col gap-2 self-start" aria-label="How it is drawn">
      <h2>Drawn for</h2>
      <div className="grid grid-cols-2 gap-3">
        <label className="text-sm font-bold">
          Stock Ø, {unit}
          <input
            name="stock"
            inputMode="decimal"
            defaultValue={formatLengthNumber(wood.stock, unit)}
            className="bench-input font-normal"
          />
        </label>
        <label className="text-sm font-bold">
          Scion Ø, {unit}
          <input
            name="scion"
            inputMode="decimal"
            defaultValue={formatLengthNumber(wood.scion, unit)}
            className="bench-input font-normal"
          />
        </label>
      </div>
      {problem && (
        <p role="alert" className="border-l-4 border-loud pl-2 font-bold">
          {problem} The drawings keep to the usual pair.
        </p>
      )}
      <label className="text-sm font-bold">
        Paper
        <select name="paper" defaultValue={paper} className="bench-input font-normal">
          <option>A4</option>
          <option>Letter</option>
        </select>
      </label>
      <button type="submit" className="bench-button" data-weight="main">
        Draw
      </button>
      <p className="flex flex-wrap gap-x-4 gap-y-1 border-t border-line pt-2">
        <a href={`/api/methods/${method.id}/handout?${files}`}>Handout</a>
        <a href={`/api/methods/${method.id}/template?${files}&format=pdf`}>Cut templates (PDF)</a>
        <a href={`/api/methods/${method.id}/template?${files}&format=svg`}>SVG</a>
        <a href={`/cards/${method.id}?${files}`}>Phone card</a>
      </p>
    </form>
  );
}
