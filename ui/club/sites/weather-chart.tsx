'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useCallback } from 'react';
import { formatTemperature, type TemperatureUnit } from '@/core/units/temperature';
import { Chart, type ChartFont } from '@/ui/kit/chart/chart';

interface WeatherChartProps {
  days: { date: string; low: number; high: number }[];
  unit: TemperatureUnit;
}

/** Lowest to highest of each day as one band through the year. */
export function WeatherChart({ days, unit }: WeatherChartProps) {
  const option = useCallback(
    (font: ChartFont) => {
      const shown = (celsius: number): number => (unit === 'C' ? celsius : celsius * 1.8 + 32);
      const line = (data: [string, number][], area?: object): object => ({
        type: 'line',
        data,
        showSymbol: false,
        stack: 'band',
        stackStrategy: 'all',
        lineStyle: { color: COLOURS.muted, width: 0.8 },
        ...(area ? { areaStyle: area } : {}),
      });
      return {
        textStyle: font,
        grid: { left: 48, right: 12, top: 12, bottom: 26 },
        xAxis: { type: 'time', axisLabel: font, axisLine: { onZero: false, lineStyle: { color: COLOURS.ink } } },
        yAxis: {
          type: 'value',
          axisLabel: { ...font, formatter: `{value} °${unit}` },
          splitLine: { lineStyle: { color: COLOURS.line } },
        },
        // The second series lies on the first, so that what is filled is the day's span.
        series: [
          line(days.map(({ date, low }) => [date, shown(low)])),
          line(
            days.map(({ date, low, high }) => [date, shown(high) - shown(low)]),
            { color: COLOURS.skin, opacity: 0.55 },
          ),
        ],
      };
    },
    [days, unit],
  );
  const coldest = Math.min(...days.map(({ low }) => low));
  const hottest = Math.max(...days.map(({ high }) => high));
  return (
    <Chart
      option={option}
      label={`Simulated temperatures of a year, from ${formatTemperature(coldest, unit)} to ${formatTemperature(hottest, unit)}`}
      height={208}
    />
  );
}
