'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useCallback } from 'react';
import type { Attempt, ReadyRule } from '@/core/score/readiness/ready-rule';
import { Chart, type ChartFont } from '@/ui/kit/chart/chart';

interface CurveChartProps {
  attempts: Attempt[];
  line: { n: number; mean: number; half: number }[] | null;
  rule: ReadyRule;
}

/** Scores over attempts: single unions as dots, the curve through them with its interval, the line of readiness. */
export function CurveChart({ attempts, line, rule }: CurveChartProps) {
  const option = useCallback((font: ChartFont) => optionOf(attempts, line, rule, font), [attempts, line, rule]);
  const told = attempts
    .map(
      ({ score, fatal, recut }, i) =>
        `attempt ${i + 1} ${score === null ? 'not scored' : Math.round(score)}${fatal ? ' fatal' : ''}${recut ? ' recut' : ''}`,
    )
    .join(', ');
  return <Chart option={option} label={`Scores over attempts: ${told || 'none yet'}`} height={250} />;
}

function optionOf(attempts: Attempt[], line: CurveChartProps['line'], rule: ReadyRule, font: ChartFont): object {
  const count = Math.max(6, attempts.length + 2);
  const within = (value: number): number => Math.max(0, Math.min(100, value));
  const curve = (value: (point: { mean: number; half: number }) => number): [number, number][] =>
    (line ?? []).map((point) => [point.n, within(value(point))]);
  return {
    grid: { left: 36, right: 14, top: 12, bottom: 40 },
    xAxis: {
      type: 'value',
      min: 0,
      max: count + 1,
      interval: 1,
      name: 'attempt',
      nameLocation: 'middle',
      nameGap: 24,
      nameTextStyle: font,
      axisLabel: { ...font, formatter: (n: number) => (n > 0 && n <= count ? String(n) : '') },
      splitLine: { show: false },
      axisLine: { lineStyle: { color: COLOURS.ink } },
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: 100,
      interval: 25,
      axisLabel: font,
      splitLine: { lineStyle: { color: COLOURS.grid } },
    },
    series: [
      // The interval as a band between its two ends.
      {
        type: 'line',
        data: curve(({ mean, half }) => mean - half),
        stack: 'band',
        symbol: 'none',
        lineStyle: { opacity: 0 },
        silent: true,
      },
      {
        type: 'line',
        data: (line ?? []).map(({ n, mean, half }) => [n, within(mean + half) - within(mean - half)]),
        stack: 'band',
        symbol: 'none',
        lineStyle: { opacity: 0 },
        areaStyle: { color: COLOURS.band },
        silent: true,
      },
      {
        type: 'line',
        data: curve(({ mean }) => mean),
        symbol: 'none',
        smooth: true,
        lineStyle: { color: COLOURS.life, width: 2.5 },
        silent: true,
      },
      {
        type: 'line',
        data: [
          [0, rule.score],
          [count + 1, rule.score],
        ],
        symbol: 'none',
        lineStyle: { color: COLOURS.ink, width: 1.4, type: [6, 4] },
        silent: true,
      },
      attemptMarks(attempts),
    ],
  };
}

/** Each attempt: filled, hollow where it was fatal, a cross where it was a recut. */
function attemptMarks(attempts: Attempt[]) {
  return {
    type: 'custom',
    silent: true,
    z: 5,
    data: attempts.flatMap(({ score, fatal, recut }, i) =>
      score === null ? [] : [[i + 1, score, Number(fatal), Number(recut)]],
    ),
    renderItem: (
      _params: unknown,
      api: { value: (i: number) => number; coord: (point: [number, number]) => [number, number] },
    ) => {
      const [x, y] = api.coord([api.value(0), api.value(1)]);
      const [fatal, recut] = [api.value(2) === 1, api.value(3) === 1];
      const cross = [
        [-5, -5, 5, 5],
        [-5, 5, 5, -5],
      ].map(([x1, y1, x2, y2]) => ({
        type: 'line',
        shape: { x1: x + x1!, y1: y + y1!, x2: x + x2!, y2: y + y2! },
        style: { stroke: COLOURS.ink, lineWidth: 2 },
      }));
      return {
        type: 'group',
        children: recut
          ? cross
          : [
              {
                type: 'circle',
                shape: { cx: x, cy: y, r: 5.5 },
                style: {
                  fill: fatal ? COLOURS.sheet : COLOURS.ink,
                  stroke: fatal ? COLOURS.loud : COLOURS.ink,
                  lineWidth: 2.5,
                },
              },
            ],
      };
    },
  };
}
