'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useCallback } from 'react';
import { MILESTONE_WORDS, type Milestone } from '@/core/methods/milestones';
import { Chart, type ChartFont } from '@/ui/kit/chart/chart';

export interface ChartedTake {
  milestone: Milestone;
  rate: number | null;
  interval: { low: number; high: number } | null;
  bounds: { low: number; high: number } | null;
}

const HEIGHT = 46;

/** Take by milestone: the rate as a dot on its interval, over a pale bar for where the truth could lie. The table beside it says the same. */
export function TakeChart({ milestones }: { milestones: ChartedTake[] }) {
  const option = useCallback((font: ChartFont) => optionOf(milestones, { ...font, fontSize: 14 }), [milestones]);
  return (
    <Chart
      option={option}
      label="Take by milestone with interval and bounds; the table has the figures"
      height={milestones.length * HEIGHT + 60}
    />
  );
}

function optionOf(milestones: ChartedTake[], font: ChartFont): object {
  return {
    grid: { left: 86, right: 24, top: 8, bottom: 40 },
    xAxis: {
      min: 0,
      max: 100,
      axisLabel: { ...font, formatter: '{value} %' },
      splitLine: { lineStyle: { color: COLOURS.grid } },
      axisLine: { show: false },
    },
    yAxis: {
      type: 'category',
      inverse: true,
      data: milestones.map(({ milestone }) => MILESTONE_WORDS[milestone].name),
      axisLabel: font,
      axisTick: { show: false },
      axisLine: { lineStyle: { color: COLOURS.ink } },
    },
    series: [
      {
        type: 'custom',
        data: milestones.map((take, i) => [
          i,
          percent(take.bounds?.low),
          percent(take.bounds?.high),
          percent(take.interval?.low),
          percent(take.interval?.high),
          percent(take.rate),
        ]),
        renderItem: (
          _params: unknown,
          api: { value: (i: number) => number; coord: (point: [number, number]) => [number, number] },
        ) => {
          const row = api.value(0);
          const at = (i: number): number => api.coord([api.value(i), row])[0];
          const y = api.coord([0, row])[1];
          const known = (i: number): boolean => api.value(i) >= 0;
          const line = { stroke: COLOURS.ink, lineWidth: 3 };
          return {
            type: 'group',
            children: [
              ...(known(1)
                ? [
                    {
                      type: 'rect',
                      shape: { x: at(1), y: y - 13, width: Math.max(1, at(2) - at(1)), height: 26 },
                      style: { fill: COLOURS.band, stroke: COLOURS.ghost, lineWidth: 1, lineDash: [3, 3] },
                    },
                  ]
                : []),
              ...(known(3)
                ? [
                    { type: 'line', shape: { x1: at(3), y1: y, x2: at(4), y2: y }, style: line },
                    ...[3, 4].map((end) => ({
                      type: 'line',
                      shape: { x1: at(end), y1: y - 7, x2: at(end), y2: y + 7 },
                      style: line,
                    })),
                    {
                      type: 'circle',
                      shape: { cx: at(5), cy: y, r: 7 },
                      style: { fill: COLOURS.life, stroke: COLOURS.ink, lineWidth: 2 },
                    },
                  ]
                : []),
            ],
          };
        },
      },
    ],
  };
}

/** Percent for the chart; what is not known is -1, which is not drawn. */
function percent(share: number | null | undefined): number {
  return share === null || share === undefined ? -1 : share * 100;
}
