'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useCallback } from 'react';
import { Chart, type ChartFont } from '@/ui/kit/chart/chart';

export interface UnionDifference {
  hours: number;
  difference: number;
}

interface DifferenceChartProps {
  first: string;
  second: string;
  points: UnionDifference[];
  mean: number;
  limits: { from: number; to: number } | null;
}

/** Each union's difference between two assessors over the day, its mean, and where single unions lie. */
export function DifferenceChart({ first, second, points, mean, limits }: DifferenceChartProps) {
  const option = useCallback(
    (font: ChartFont) => optionOf(first, points, mean, limits, font),
    [first, points, mean, limits],
  );
  return (
    <Chart
      option={option}
      label={`${first} less ${second}: ${points.map(({ difference }) => Math.round(difference)).join(', ')} points, in the order of the day`}
      height={230}
    />
  );
}

function optionOf(
  first: string,
  points: UnionDifference[],
  mean: number,
  limits: DifferenceChartProps['limits'],
  font: ChartFont,
): object {
  const hours = Math.max(1, Math.ceil(Math.max(...points.map((point) => point.hours)) * 2) / 2);
  const reach = Math.max(
    10,
    Math.ceil(
      Math.max(
        ...points.map(({ difference }) => Math.abs(difference)),
        Math.abs(limits?.from ?? 0),
        Math.abs(limits?.to ?? 0),
      ) / 10,
    ) * 10,
  );
  const across = (y: number, style: object): object => ({
    type: 'line',
    data: [
      [0, y],
      [hours, y],
    ],
    symbol: 'none',
    silent: true,
    lineStyle: style,
  });
  return {
    grid: { left: 44, right: 14, top: 26, bottom: 40 },
    title: { text: `${first} higher`, left: 44, top: 0, textStyle: { ...font, fontWeight: 'normal' } },
    xAxis: {
      type: 'value',
      min: 0,
      max: hours,
      name: 'hours into the day',
      nameLocation: 'middle',
      nameGap: 24,
      nameTextStyle: font,
      axisLabel: font,
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: -reach,
      max: reach,
      axisLabel: font,
      splitLine: { lineStyle: { color: COLOURS.grid } },
    },
    series: [
      across(0, { color: COLOURS.muted, width: 1 }),
      ...(limits
        ? [
            across(limits.from, { color: COLOURS.ink, width: 1.4, type: [3, 4] }),
            across(limits.to, { color: COLOURS.ink, width: 1.4, type: [3, 4] }),
          ]
        : []),
      across(mean, { color: COLOURS.ink, width: 2.2 }),
      {
        type: 'custom',
        silent: true,
        data: points.map(({ hours: at, difference }) => [at, difference]),
        renderItem: (
          _params: unknown,
          api: { value: (i: number) => number; coord: (point: [number, number]) => [number, number] },
        ) => {
          const [cx, cy] = api.coord([api.value(0), api.value(1)]);
          return {
            type: 'circle',
            shape: { cx, cy, r: 5 },
            style: { fill: COLOURS.sheet, stroke: COLOURS.ink, lineWidth: 2 },
          };
        },
      },
    ],
  };
}
