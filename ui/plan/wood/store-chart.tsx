'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useCallback } from 'react';
import type { TemperatureUnit } from '@/core/units/temperature';
import { Chart, type ChartFont } from '@/ui/kit/chart/chart';
import { pointsWithHoles, temperatureOverTime } from '@/ui/kit/chart/temperature-over-time';

interface StoreChartProps {
  readings: { at: string; value: number }[];
  /** degC. */
  range: { from: number; to: number };
  unit: TemperatureUnit;
}

/** Temperature of the store over time, with the range it should keep as a band. The words below it say the same. */
export function StoreChart({ readings, range, unit }: StoreChartProps) {
  const option = useCallback(
    (font: ChartFont) => {
      const shown = (celsius: number): number => (unit === 'C' ? celsius : celsius * 1.8 + 32);
      // A hole of more than three usual steps is left open.
      const steps = readings
        .slice(1)
        .map(({ at }, i) => Date.parse(at) - Date.parse(readings[i]!.at))
        .sort((a, b) => a - b);
      const usual = steps[Math.floor(steps.length / 2)] ?? 0;
      const points = pointsWithHoles(readings, 3 * usual, shown);
      return {
        ...temperatureOverTime(font, unit),
        series: [
          {
            type: 'line',
            data: points,
            showSymbol: false,
            lineStyle: { color: COLOURS.ink, width: 1.4 },
            markArea: {
              silent: true,
              itemStyle: { color: 'rgba(11,122,59,0.16)' },
              data: [[{ yAxis: shown(range.from) }, { yAxis: shown(range.to) }]],
            },
          },
        ],
      };
    },
    [readings, range, unit],
  );
  return (
    <Chart option={option} label="Temperature of the store over time; the summary below has the figures" height={240} />
  );
}
