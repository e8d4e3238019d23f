'use client';

import Link from 'next/link';
import { useCallback } from 'react';
import type { CostsView, TaughtCost } from '@/core/findings/boards/model-views';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import { capital } from '@/core/units/capital';
import { counted } from '@/core/units/counted';
import type { ChartFont } from '@/ui/kit/chart/chart';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { ChartWithTable } from '../charts/chart-with-table';
import { FiguresTable } from '../figures-table';
import { intervalRows, ROW_HEIGHT } from '../charts/interval-rows';
import { ModelWaiting } from './model-waiting';
import { useModel } from './use-model';

/** What faults cost, and what to teach next. */
export function CostsPanel({ filter, told }: { filter: FindingsFilter; told: string }) {
  const { view, failed, again } = useModel('costs', filter);
  if (view?.state !== 'done') return <ModelWaiting view={view} failed={failed} again={again} />;
  return <Costs view={view.view} told={told} />;
}

function Costs({ view, told }: { view: CostsView; told: string }) {
  const taught = view.costs.filter(({ dear, taught: step }) => dear && step !== null).slice(0, 5);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
      {view.sentence !== told && <p className="max-w-prose text-lg font-bold">{view.sentence}</p>}
      <CostChart costs={view.costs} />
      {taught.length > 0 && (
        <section aria-labelledby="teach-title">
          <h2 id="teach-title">Where the dearest are taught</h2>
          <ol className="mt-2 grid grid-cols-[minmax(0,1fr)] gap-3">
            {taught.map((cost) => (
              <TaughtStep key={cost.point} cost={cost} />
            ))}
          </ol>
        </section>
      )}
      <Effects view={view} />
    </div>
  );
}

function CostChart({ costs }: { costs: readonly TaughtCost[] }) {
  const option = useCallback(
    (font: ChartFont) => {
      const ends = costs.flatMap(({ low, high }) => [low, high]);
      return intervalRows(
        {
          min: Math.min(0, Math.floor(Math.min(...ends))),
          max: Math.max(4, Math.ceil(Math.max(...ends))),
          unit: '',
          line: 0,
          rows: costs.map(({ name, perHundred, low, high, dear }) => ({
            name: capital(name),
            value: perHundred,
            low,
            high,
            faint: !dear,
          })),
        },
        font,
      );
    },
    [costs],
  );
  if (costs.length === 0) return <p>No keeper had a fault, so none costs anything.</p>;
  return (
    <ChartWithTable
      label="Trees in a hundred that each point would save, were it always good"
      option={option}
      height={costs.length * ROW_HEIGHT + 50}
      head={['Point', 'Keepers that had it poor or fatal', 'Trees in a hundred', '90 % interval', 'Beyond chance']}
      rows={costs.map(({ point, name, had, perHundred, low, high, dear }) => ({
        key: point,
        cells: [
          capital(name),
          had,
          perHundred.toFixed(1),
          `${low.toFixed(1)} to ${high.toFixed(1)}`,
          dear ? 'yes' : 'no',
        ],
      }))}
    />
  );
}

function TaughtStep({ cost: { name, had, perHundred, dear, taught, causes } }: { cost: TaughtCost }) {
  if (!taught) return null;
  return (
    <li className="board grid grid-cols-[minmax(0,1fr)] gap-3 md:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
      <div>
        <h3 className="text-lg font-bold">{capital(name)}</h3>
        <p>
          {counted(had, 'keeper')} had it poor or fatal;{' '}
          {dear ? `it costs about ${perHundred.toFixed(1)} trees in a hundred` : 'no cost can be seen'}.
        </p>
        <p className="mt-2">
          <strong>Step:</strong> {taught.step} <span className="text-muted">({taught.method})</span>
        </p>
        <p className="mt-1">
          <strong>Practise:</strong> {taught.drill}
        </p>
        {causes.length > 0 && (
          <p className="mt-1 text-muted">
            Of those that died with it: {causes.map(({ words, count }) => `${words} (${count})`).join(', ')}.
          </p>
        )}
        <p className="mt-2">
          <Link href={taught.href}>All steps of {taught.method}</Link>
        </p>
      </div>
      <div className="grid grid-cols-2 gap-2">
        <figure>
          <UnionDrawing drawing={taught.right} width={190} title={`${name}: right`} />
          <figcaption className="text-sm font-bold">Right</figcaption>
        </figure>
        {taught.wrong && (
          <figure>
            <UnionDrawing drawing={taught.wrong} width={190} title={`${name}: wrong`} />
            <figcaption className="text-sm font-bold">Wrong</figcaption>
          </figure>
        )}
      </div>
    </li>
  );
}

function Effects({ view }: { view: CostsView }) {
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center font-bold">How this is calculated</summary>
      <p className="max-w-prose text-sm text-muted">
        From {view.known} keepers that were judged point by point and whose fate is known
        {view.leftOut > 0 ? `; ${view.leftOut} are left out, since not all of their points were looked at` : ''}. One
        logistic model of the method and all points, poor and fatal against good, with days and hands as effects of
        their own; a prior holds what a point does back, so that large costs come out too small. A point’s cost is the
        mean take foretold with it good throughout, less that foretold as it is, with a 90 % interval. It is named only
        where five keepers or more had it and the cost stands with all points looked at (Holm). An odds ratio known to
        less than a factor of ten cannot be told.
      </p>
      <FiguresTable
        label="What each grade of a point does to the odds"
        className="mt-2 max-w-3xl"
        head={['Point', 'Grade', 'Keepers', 'Odds of living against good', '90 % interval']}
        rows={view.effects.map(({ name, grade, count, odds, low, high, told }) => ({
          key: `${name} ${grade}`,
          cells: [
            capital(name),
            grade,
            count,
            told ? `× ${odds.toFixed(2)}` : 'cannot be told',
            `${low.toFixed(2)} to ${high.toFixed(2)}`,
          ],
        }))}
      />
    </details>
  );
}
