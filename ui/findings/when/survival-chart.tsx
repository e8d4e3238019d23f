'use client';

import { useCallback, useState } from 'react';
import type { SurvivalCurve } from '@/core/findings/boards/board-views';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { SurvivalBand } from '@/core/findings/survival/survival-bands';
import type { SurvivalStep } from '@/core/findings/survival/turnbull';
import { COLOURS } from '@/core/drawing/colours';
import { percent } from '@/core/units/percent';
import type { ChartFont } from '@/ui/kit/chart/chart';
import { ModelWaiting } from '../models/model-waiting';
import { useModel } from '../models/use-model';
import { ChartWithTable } from '../charts/chart-with-table';
import type { Pen } from '../charts/interval-rows';

/** Plants alive over days since the union was made: steps, with hatched boxes where visits cannot say when they died. */
export function SurvivalChart({ curves, filter }: { curves: readonly SurvivalCurve[]; filter: FindingsFilter }) {
  const [level, setLevel] = useState(curves[0]!.level);
  const { view, failed, again } = useModel('bands', filter);
  const shown = curves.find((curve) => curve.level === level) ?? curves[0]!;
  const bands = shown.level === '' && view?.state === 'done' ? view.view.bands : null;
  const option = useCallback((font: ChartFont) => optionOf(shown.fit.steps, bands, font), [shown, bands]);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      {curves.length > 1 && (
        <div className="flex flex-wrap gap-2" role="group" aria-label="Of which plants">
          {curves.map((curve) => (
            <button
              key={curve.level}
              type="button"
              className="bench-button"
              aria-pressed={curve === shown}
              data-weight={curve === shown ? 'main' : undefined}
              onClick={() => setLevel(curve.level)}
            >
              {curve.name} <span className="text-sm font-normal">{curve.plants}</span>
            </button>
          ))}
        </div>
      )}
      <ChartWithTable
        label={`Plants alive by days since the union, ${shown.name}`}
        option={option}
        height={340}
        head={['Between day', 'and day', 'Died then', 'Alive after']}
        rows={shown.fit.steps.map(({ from, to, mass, survivalAfter }) => ({
          key: `${from} ${to}`,
          cells: [from, to ?? 'later', percent(mass), to === null ? 'not known' : percent(survivalAfter)],
        }))}
      />
      <p className="max-w-prose text-sm text-muted">
        Plants are seen at visits only, so within a hatched box nobody knows when they died. {shown.plants} plants,{' '}
        {shown.deaths} of them seen dead; nonparametric maximum likelihood (Turnbull).
        {shown.level === '' && ' The pale band holds 90 % of 500 fits to growers drawn again.'}
      </p>
      {shown.level === '' && view?.state !== 'done' && view?.state !== 'missing' && (
        <ModelWaiting view={view} failed={failed} again={again} />
      )}
    </div>
  );
}

function optionOf(steps: readonly SurvivalStep[], bands: readonly SurvivalBand[] | null, font: ChartFont): object {
  const closed = steps.filter(({ to }) => to !== null) as (SurvivalStep & { to: number })[];
  const last = Math.max(1, ...steps.map(({ from, to }) => to ?? from));
  const axis = { axisLabel: font, nameTextStyle: font, splitLine: { lineStyle: { color: COLOURS.grid } } };
  return {
    grid: { left: 56, right: 20, top: 16, bottom: 48 },
    xAxis: {
      ...axis,
      type: 'value',
      min: 0,
      max: last,
      name: 'days since the union was made',
      nameLocation: 'middle',
      nameGap: 28,
    },
    yAxis: { ...axis, type: 'value', min: 0, max: 100, axisLabel: { ...font, formatter: '{value} %' } },
    series: [
      ...(bands ? [bandSeries(bands)] : []),
      {
        type: 'custom',
        silent: true,
        data: closed.map(({ from, to, survivalAfter }, i) => [
          from,
          to,
          100 * (closed[i - 1]?.survivalAfter ?? 1),
          100 * survivalAfter,
          closed[i - 1]?.to ?? 0,
          closed[i + 1]?.from ?? last,
        ]),
        renderItem: (_params: unknown, pen: Pen) => ({ type: 'group', children: stepMarks(pen) }),
      },
    ],
  };
}

/** A step: level until its box, the hatched box, level after it. */
function stepMarks(pen: Pen): object[] {
  const point = (day: number, share: number): [number, number] => pen.coord([pen.value(day), pen.value(share)]);
  const [x, top] = point(0, 2);
  const [right, bottom] = point(1, 3);
  const style = { stroke: COLOURS.ink, lineWidth: 3 };
  const flat = (from: number, to: number, share: number): object => {
    const [x1, y] = point(from, share);
    return { type: 'line', shape: { x1, y1: y, x2: point(to, share)[0], y2: y }, style };
  };
  const [width, height] = [right - x, bottom - top];
  const box = { x, y: top, width, height: Math.max(1, height) };
  const hatches = Array.from({ length: Math.max(0, Math.ceil((width + height) / 8)) }, (_, i) => ({
    type: 'line',
    shape: { x1: x + i * 8, y1: top, x2: x + i * 8 - height, y2: bottom },
    style: { stroke: COLOURS['leaf-edge'], lineWidth: 1 },
  }));
  return [
    flat(4, 0, 2),
    {
      type: 'group',
      clipPath: { type: 'rect', shape: box },
      children: [{ type: 'rect', shape: box, style: { fill: COLOURS.mist } }, ...hatches],
    },
    { type: 'rect', shape: box, style: { fill: 'none', stroke: COLOURS['leaf-edge'], lineWidth: 1 } },
    flat(1, 5, 3),
  ];
}

function bandSeries(bands: readonly SurvivalBand[]): object {
  return {
    type: 'custom',
    silent: true,
    z: 1,
    data: [[0]],
    renderItem: (_params: unknown, pen: Pen) => {
      const edge = (share: (band: SurvivalBand) => number): [number, number][] => {
        const points: [number, number][] = [[0, 100]];
        for (const band of bands) points.push([band.day, points.at(-1)![1]], [band.day, 100 * share(band)]);
        return points;
      };
      return {
        type: 'polygon',
        shape: { points: [...edge(({ high }) => high), ...edge(({ low }) => low).reverse()].map(pen.coord) },
        style: { fill: COLOURS.band, opacity: 0.7 },
      };
    },
  };
}
