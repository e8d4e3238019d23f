'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { MethodRun, TakeBoard } from '@/core/findings/boards/board-views';
import { beyondChance, isRun } from '@/core/findings/years/run-chart';
import { COLOURS } from '@/core/drawing/colours';
import { formatDate } from '@/core/units/iso-date';
import { percent } from '@/core/units/percent';
import { ChartWithTable } from '../charts/chart-with-table';
import { NARROW, type Pen } from '../charts/interval-rows';
import type { ChartFont } from '@/ui/kit/chart/chart';

/** Take from workshop to workshop, a method each, so that a bad year is told from bad luck. */
export function RunCharts({ runs: all }: { runs: TakeBoard['runs'] }) {
  const runs = all.filter(({ run }) => isRun(run));
  if (runs.length === 0) return null;
  return (
    <section aria-labelledby="run-title" className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <h2 id="run-title">From workshop to workshop</h2>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-2">
        {runs.map(({ method, run }) => (
          <RunChart key={method} method={method} run={run} />
        ))}
      </div>
      <p className="max-w-prose text-sm text-muted">
        The line is the take of all workshops by the method; the band holds what chance and the usual differences
        between workshops do (three z-sigma), wider where fewer answers came. A workshop without answers has no mark.
      </p>
    </section>
  );
}

function RunChart({ method, run }: MethodRun) {
  const router = useRouter();
  const option = useCallback((font: ChartFont) => optionOf(run, font), [run]);
  const choose = useCallback((at: number) => router.push(`/workshops/${run[at]!.workshopId}/findings`), [router, run]);
  const odd = run.filter(({ point }) => beyondChance(point) !== null);
  return (
    <div>
      <h3 className="font-bold">{method}</h3>
      <p className="mb-2 max-w-prose">
        {odd.length === 0
          ? 'No workshop was better or worse than chance and the usual differences between workshops make it.'
          : `${odd.map(({ title, point }) => `“${title}” lies ${beyondChance(point)} what chance and the usual differences do`).join('; ')}.`}
      </p>
      <ChartWithTable
        label={`Take of each workshop by ${method.toLowerCase()}, with limits`}
        option={option}
        height={200}
        onChoose={choose}
        head={['Workshop', 'Day', 'Known', 'Alive', 'Take', 'Limits', 'Told apart']}
        rows={run.map(({ workshopId, title, date, n, alive, point }) => ({
          key: workshopId,
          cells: [
            <Link key="link" href={`/workshops/${workshopId}/findings`}>
              {title}
            </Link>,
            formatDate(date),
            n,
            alive,
            point.rate === null ? '–' : percent(point.rate),
            point.lower === null ? '–' : `${percent(point.lower)} to ${percent(point.upper!)}`,
            beyondChance(point) ?? 'no',
          ],
        }))}
      />
    </div>
  );
}

function optionOf(run: MethodRun['run'], font: ChartFont): object {
  const centre = run[0]?.point.centre ?? 0;
  return {
    grid: { left: 52, right: 20, top: 14, bottom: 50 },
    xAxis: {
      type: 'category',
      data: run.map(({ date }) => formatDate(date).replace(' 20', '\n20')),
      axisLabel: {
        ...font,
        // A phone has room for every third.
        interval: font.boxWidth < NARROW ? Math.floor(run.length / 4) : 0,
        lineHeight: 16,
        fontSize: run.length > 12 ? 11 : 13,
      },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: COLOURS.ink } },
    },
    yAxis: {
      min: 0,
      max: 100,
      axisLabel: { ...font, formatter: '{value} %' },
      splitLine: { lineStyle: { color: COLOURS.grid } },
    },
    series: [
      {
        type: 'custom',
        data: run.map(({ point }, i) => [
          i,
          ...[point.rate, point.lower, point.upper].map((share) => (share === null ? -1 : share * 100)),
        ]),
        renderItem: (_params: unknown, pen: Pen) => ({ type: 'group', children: marksOf(pen, run, centre) }),
      },
    ],
  };
}

function marksOf(pen: Pen, run: MethodRun['run'], centre: number): object[] {
  const at = pen.value(0);
  const y = (share: number): number => pen.coord([at, share])[1];
  const x = pen.coord([at, 0])[0];
  const half = Math.max(10, Math.min(34, (pen.coord([1, 0])[0] - pen.coord([0, 0])[0]) / 2 - 4));
  const middle = { x1: x - half, y1: y(centre * 100), x2: x + half, y2: y(centre * 100) };
  const line = { type: 'line', shape: middle, style: { stroke: COLOURS.bark, lineWidth: 2 } };
  if (pen.value(1) < 0) return [line];
  const odd = beyondChance(run[at]!.point) !== null;
  return [
    {
      type: 'rect',
      shape: {
        x: x - half,
        y: y(pen.value(3)),
        width: 2 * half,
        height: Math.max(2, y(pen.value(2)) - y(pen.value(3))),
      },
      style: { fill: COLOURS.band, stroke: COLOURS['leaf-edge'], lineWidth: 1 },
    },
    line,
    {
      type: 'circle',
      shape: { cx: x, cy: y(pen.value(1)), r: odd ? 9 : 7 },
      style: { fill: odd ? COLOURS.loud : COLOURS.ink, stroke: COLOURS.sheet, lineWidth: 2 },
    },
  ];
}
