import { COLOURS } from '@/core/drawing/colours';
import type { ChartFont } from '@/ui/kit/chart/chart';

/** A figure with its interval, one a row; in the unit of the axis. */
export interface IntervalRow {
  name: string;
  value: number;
  low: number | null;
  high: number | null;
  /** A second figure beside it, as an open mark. */
  beside?: number | null;
  /** Little is known of it. */
  faint?: boolean;
}

interface IntervalRowsOptions {
  rows: readonly IntervalRow[];
  min: number;
  max: number;
  unit: string;
  /** Where a line stands that intervals are read against. */
  line?: number;
}

export const ROW_HEIGHT = 30;

/** A chart of less width is a phone's. */
export const NARROW = 520;

/** What a custom series is drawn with. */
export interface Pen {
  value: (i: number) => number;
  coord: (point: [number, number]) => [number, number];
}

/** Figures on their intervals, a row each: a dot on a line with ends; an open mark is the plain figure beside it. */
export function intervalRows({ rows, min, max, unit, line }: IntervalRowsOptions, font: ChartFont): object {
  const longest = Math.max(...rows.map(({ name }) => name.length), 4);
  // On a phone names take two lines, and leave more than half of the width.
  const narrow = font.boxWidth < NARROW;
  const left = Math.min(narrow ? font.boxWidth * 0.42 : 330, 20 + longest * 7.2);
  return {
    grid: { left, right: 24, top: 8, bottom: 34 },
    xAxis: {
      min,
      max,
      splitNumber: narrow ? 2 : 5,
      axisLabel: { ...font, formatter: `{value}${unit}` },
      splitLine: { lineStyle: { color: COLOURS.grid } },
      axisLine: { show: false },
    },
    yAxis: {
      type: 'category',
      inverse: true,
      data: rows.map(({ name }) => name),
      axisLabel: narrow
        ? { ...font, fontSize: 12, lineHeight: 13, width: left - 12, overflow: 'break' }
        : { ...font, width: 310, overflow: 'truncate' },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: COLOURS.ink } },
    },
    series: [
      {
        type: 'custom',
        data: rows.map((row, i) => [i, row.value, row.low ?? row.value, row.high ?? row.value, row.beside ?? -999]),
        renderItem: (_params: unknown, pen: Pen) => ({
          type: 'group',
          children: marksOf(pen, { row: rows[pen.value(0)]!, min, max }),
        }),
      },
      ...(line === undefined ? [] : [lineAt(line, rows.length)]),
    ],
  };
}

function marksOf(pen: Pen, { row, min, max }: { row: IntervalRow; min: number; max: number }): object[] {
  const at = pen.value(0);
  const x = (i: number): number => pen.coord([Math.min(max, Math.max(min, pen.value(i))), at])[0];
  const y = pen.coord([0, at])[1];
  const stroke = row.faint ? COLOURS.trim : COLOURS.ink;
  const beside = pen.value(4);
  return [
    { type: 'line', shape: { x1: x(2), y1: y, x2: x(3), y2: y }, style: { stroke, lineWidth: row.faint ? 1.5 : 3 } },
    ...[2, 3].map((end) => ({
      type: 'line',
      shape: { x1: x(end), y1: y - 6, x2: x(end), y2: y + 6 },
      style: { stroke, lineWidth: 2 },
    })),
    ...(beside === -999
      ? []
      : [
          {
            type: 'rect',
            shape: { x: x(4) - 4.5, y: y - 4.5, width: 9, height: 9 },
            style: { fill: COLOURS.sheet, stroke: COLOURS.bark, lineWidth: 2 },
          },
        ]),
    {
      type: 'circle',
      shape: { cx: x(1), cy: y, r: 6 },
      style: { fill: row.faint ? COLOURS.sheet : COLOURS.life, stroke, lineWidth: 2 },
    },
  ];
}

function lineAt(at: number, rows: number): object {
  return {
    type: 'custom',
    silent: true,
    data: [[at]],
    renderItem: (_params: unknown, pen: Pen) => {
      const [x, top] = pen.coord([at, 0]);
      const bottom = pen.coord([at, rows - 1])[1];
      return {
        type: 'line',
        shape: { x1: x, y1: top - 15, x2: x, y2: bottom + 15 },
        style: { stroke: COLOURS.ink, lineWidth: 1, lineDash: [4, 3] },
      };
    },
  };
}
