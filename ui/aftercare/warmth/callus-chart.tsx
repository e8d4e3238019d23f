'use client';

import { useCallback } from 'react';
import { COLOURS } from '@/core/drawing/colours';
import type { CallusView } from '@/core/aftercare/warmth/callus-view';
import { fromCelsius, type TemperatureUnit } from '@/core/units/temperature';
import { Chart, type ChartFont } from '@/ui/kit/chart/chart';
import { pointsWithHoles, temperatureOverTime } from '@/ui/kit/chart/temperature-over-time';

interface CallusChartProps {
  plotted: CallusView['plotted'];
  range: CallusView['range'];
  band: CallusView['band'];
  unit: TemperatureUnit;
}

/** A hole longer than this is left open, ms: in stretches the drawn points lie up to an hour or two apart. */
const HOLE = 6 * 3_600_000;

/** Temperature of a callus place over time, with the band in which its grafts knit fully, and where they stop. */
export function CallusChart({ plotted, range, band, unit }: CallusChartProps) {
  const option = useCallback(
    (font: ChartFont) => {
      const shown = (celsius: number): number => fromCelsius(celsius, unit);
      const points = pointsWithHoles(plotted, HOLE, shown);
      const edges = band ? [band.a, band.d] : [];
      return {
        ...temperatureOverTime(font, unit),
        series: [
          {
            type: 'line',
            data: points,
            showSymbol: false,
            connectNulls: false,
            lineStyle: { color: COLOURS.ink, width: 0.9 },
            markArea: range && {
              silent: true,
              itemStyle: { color: COLOURS.band, opacity: 0.8 },
              data: [[{ yAxis: shown(range.from) }, { yAxis: shown(range.to) }]],
            },
          },
          ...edges.map((edge) => ({
            type: 'line',
            data: [
              [plotted[0]?.at, shown(edge)],
              [plotted.at(-1)?.at, shown(edge)],
            ],
            showSymbol: false,
            silent: true,
            lineStyle: { color: COLOURS.muted, width: 1, type: 'dashed' },
          })),
        ],
      };
    },
    [plotted, range, band, unit],
  );
  return (
    <Chart
      option={option}
      label="Temperature of the callus place over time with the band in which cuts knit; the words and days below say the same"
      height={250}
    />
  );
}
