'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { ForetoldView } from '@/core/findings/boards/board-views';
import { filterQuery, type FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { Calibration } from '@/core/findings/score/calibration';
import { isotonicAt } from '@/core/findings/score/isotonic-fit';
import type { ScoreBin } from '@/core/findings/score/murphy-parts';
import { foretold } from '@/core/findings/sentences/score-sentence';
import { wilsonInterval } from '@/core/statistics/wilson-interval';
import { COLOURS } from '@/core/drawing/colours';
import { percent } from '@/core/units/percent';
import { ChartWithTable } from '../charts/chart-with-table';
import type { Pen } from '../charts/interval-rows';
import { range } from '../take/take-words';
import type { ChartFont } from '@/ui/kit/chart/chart';

interface ForetoldChartProps {
  view: ForetoldView & { found: Calibration };
  filter: FindingsFilter;
}

/** What a measure foretold beside what came: bins with their intervals, the curve, and the steps that never fall. */
export function ForetoldChart({ view: { found, what }, filter }: ForetoldChartProps) {
  const router = useRouter();
  const href = useCallback(
    ({ from, to }: ScoreBin): string | null =>
      what === 'score' ? `/findings/unions?${filterQuery({ ...filter, scoreFrom: from, scoreTo: to })}` : null,
    [what, filter],
  );
  const option = useCallback((font: ChartFont) => optionOf(found, what, font), [found, what]);
  const choose = useCallback(
    (at: number) => {
      const target = found.bins[at] && href(found.bins[at]);
      if (target) router.push(target);
    },
    [found, href, router],
  );
  return (
    <>
      <ChartWithTable
        label={`Take by ${what}`}
        option={option}
        height={340}
        onChoose={what === 'score' ? choose : undefined}
        head={[what === 'score' ? 'Score' : 'Contact, %', 'Keepers', 'Alive', 'Take', '95 % interval', 'Foretold']}
        rows={found.bins.map((bin) => {
          const target = href(bin);
          const words = `${bin.from} to ${bin.to}`;
          return {
            key: words,
            cells: [
              target ? (
                <Link key="link" href={target}>
                  {words}
                </Link>
              ) : (
                words
              ),
              bin.count,
              bin.alive,
              percent(bin.alive / bin.count),
              range(wilsonInterval(bin.alive, bin.count)),
              percent(bin.meanFitted),
            ],
          };
        })}
      />
      <p className="mt-1 max-w-prose text-sm text-muted">
        Dots: keepers of a bin, larger where there are more, with their 95 % interval. Line: logistic fit; steps: the
        best shares that never fall.
      </p>
    </>
  );
}

function optionOf(found: Calibration, what: ForetoldView['what'], font: ChartFont): object {
  const first = Math.min(40, ...found.bins.map(({ from }) => from));
  const least = found.bins[0]?.from === 0 ? Math.min(first, 30) : first;
  const scores = Array.from({ length: 101 - least }, (_, i) => least + i);
  const axis = { axisLabel: font, nameTextStyle: font, splitLine: { lineStyle: { color: COLOURS.grid } } };
  return {
    grid: { left: 52, right: 20, top: 16, bottom: 48 },
    xAxis: { ...axis, min: least, max: 100, name: what, nameLocation: 'middle', nameGap: 28 },
    yAxis: { ...axis, min: 0, max: 100, axisLabel: { ...font, formatter: '{value} %' } },
    series: [
      {
        type: 'custom',
        data: found.bins.map(({ from, to, count, alive }, i) => {
          const interval = wilsonInterval(alive, count)!;
          return [(Math.max(from, least) + to) / 2, (100 * alive) / count, 100 * interval.low, 100 * interval.high, i];
        }),
        z: 5,
        renderItem: (_params: unknown, pen: Pen) => ({ type: 'group', children: binMarks(pen, found.bins) }),
      },
      {
        type: 'line',
        silent: true,
        showSymbol: false,
        lineStyle: { color: COLOURS.life, width: 3 },
        data: scores.map((score) => [score, 100 * foretold(found, score)]),
      },
      {
        type: 'line',
        silent: true,
        showSymbol: false,
        step: 'end',
        lineStyle: { color: COLOURS.bark, width: 2, type: 'dashed' },
        data: scores.map((score) => [score, 100 * isotonicAt(found.isotonic, score)!]),
      },
    ],
  };
}

function binMarks(pen: Pen, bins: readonly ScoreBin[]): object[] {
  const x = pen.coord([pen.value(0), 0])[0];
  const y = (i: number): number => pen.coord([0, pen.value(i)])[1];
  const most = Math.max(...bins.map(({ count }) => count));
  const r = 5 + 7 * Math.sqrt(bins[pen.value(4)]!.count / most);
  const style = { stroke: COLOURS.ink, lineWidth: 2 };
  return [
    { type: 'line', shape: { x1: x, y1: y(2), x2: x, y2: y(3) }, style },
    ...[2, 3].map((end) => ({ type: 'line', shape: { x1: x - 6, y1: y(end), x2: x + 6, y2: y(end) }, style })),
    { type: 'circle', shape: { cx: x, cy: y(1), r }, style: { fill: COLOURS.leaf, stroke: COLOURS.ink, lineWidth: 2 } },
  ];
}
