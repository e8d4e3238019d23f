import { COLOURS } from '@/core/drawing/colours';
import type { TemperatureUnit } from '@/core/units/temperature';
import type { ChartFont } from './chart';

/** Grid and axes of a chart that shows temperatures over time. */
export function temperatureOverTime(font: ChartFont, unit: TemperatureUnit): object {
  return {
    textStyle: font,
    grid: { left: 52, right: 14, top: 14, bottom: 28 },
    xAxis: {
      type: 'time',
      axisLabel: font,
      axisLine: { onZero: false, lineStyle: { color: COLOURS.ink } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      axisLabel: { ...font, formatter: `{value} °${unit}` },
      splitLine: { lineStyle: { color: COLOURS.line } },
    },
  };
}

/**
 * Readings as points of a line that is left open where nobody measured.
 *
 * @param hole readings further apart than this are not joined, ms
 * @param shown a temperature as it is shown
 */
export function pointsWithHoles(
  readings: readonly { at: string; value: number }[],
  hole: number,
  shown: (celsius: number) => number,
): [string, number | null][] {
  return readings.flatMap(({ at, value }, i): [string, number | null][] => {
    const before = readings[i - 1]?.at;
    const point: [string, number] = [at, shown(value)];
    return before !== undefined && Date.parse(at) - Date.parse(before) > hole ? [[before, null], point] : [point];
  });
}
