'use client';

import { percent } from '@/core/units/percent';
import { COLOURS } from '@/core/drawing/colours';
import { useCallback } from 'react';
import type { CardUnion } from '@/core/score/cards/person-card';
import { Chart, type ChartFont } from '@/ui/kit/chart/chart';

/** Score and contact over the attempts. */
export function AttemptsChart({ unions }: { unions: CardUnion[] }) {
  const option = useCallback((font: ChartFont) => optionOf(unions, font), [unions]);
  return (
    <Chart
      option={option}
      label={`Over the attempts: ${unions.map(({ number, score, contact }) => `${number}: score ${score === null ? 'none' : Math.round(score)}, contact ${percent(contact)}`).join('; ')}`}
      height={190}
    />
  );
}

function optionOf(unions: CardUnion[], font: ChartFont): object {
  const line = (name: string, data: (number | null)[], colour: string, type: 'solid' | 'dashed'): object => ({
    name,
    type: 'line',
    data,
    symbol: 'circle',
    symbolSize: 8,
    itemStyle: { color: colour },
    lineStyle: { color: colour, width: 2.5, type },
    endLabel: { show: true, formatter: name, ...font, color: colour },
    silent: true,
  });
  return {
    grid: { left: 34, right: 74, top: 10, bottom: 28 },
    xAxis: {
      type: 'category',
      data: unions.map(({ number }) => String(number)),
      axisLabel: font,
      axisTick: { show: false },
      axisLine: { lineStyle: { color: COLOURS.ink } },
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: 100,
      interval: 50,
      axisLabel: font,
      splitLine: { lineStyle: { color: COLOURS.line } },
    },
    series: [
      line(
        'score',
        unions.map(({ score }) => score),
        COLOURS.black,
        'solid',
      ),
      line(
        'contact',
        unions.map(({ contact }) => contact * 100),
        COLOURS.life,
        'dashed',
      ),
    ],
  };
}
