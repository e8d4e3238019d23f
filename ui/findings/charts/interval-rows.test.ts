import { describe, expect, it } from 'vitest';
import { intervalRows } from './interval-rows';

interface Drawn {
  grid: { left: number };
  xAxis: { splitNumber: number };
  yAxis: { data: string[]; axisLabel: { width: number; overflow: string } };
  series: {
    data: number[][];
    renderItem: (params: unknown, pen: object) => { children?: { type: string; shape: Record<string, number> }[] };
  }[];
}

const rows = [
  { name: 'Sallow Quay from garden behind the net loft', value: 21, low: 9, high: 44, beside: 16 },
  { name: 'Bell Shallows', value: 96, low: null, high: null, faint: true },
];
const drawn = (boxWidth: number, line?: number): Drawn =>
  intervalRows(
    { rows, min: 0, max: 100, unit: ' %', ...(line === undefined ? {} : { line }) },
    { fontFamily: 'serif', fontSize: 13, color: 'black', boxWidth },
  ) as Drawn;
/** A pen on a sheet of ten px a unit. */
const pen = (values: number[]) => ({
  value: (i: number) => values[i]!,
  coord: ([x, y]: [number, number]) => [10 * x, 30 * y],
});

describe('figures on their intervals', () => {
  it('leave the figures more than half of a phone, and names two lines', () => {
    const { grid, yAxis, xAxis } = drawn(358);
    expect(grid.left).toBeLessThan(358 / 2);
    expect(yAxis.axisLabel.overflow).toBe('break');
    expect(yAxis.axisLabel.width).toBeLessThan(grid.left);
    expect(xAxis.splitNumber).toBe(2);
  });
  it('give names the room they need on a desk, and no more than a third', () => {
    const { grid, yAxis } = drawn(1200);
    expect(grid.left).toBe(329.6);
    expect(yAxis.axisLabel.overflow).toBe('truncate');
  });
  it('draw the interval with its ends, the plain figure as a square, and the figure on top', () => {
    const { series } = drawn(1200);
    const [first, second] = series[0]!.data.map((values) => series[0]!.renderItem(null, pen(values)).children!);
    expect(first!.map(({ type }) => type)).toEqual(['line', 'line', 'line', 'rect', 'circle']);
    expect(first![0]!.shape).toMatchObject({ x1: 90, x2: 440 });
    expect(first![4]!.shape).toMatchObject({ cx: 210, cy: 0 });
    // Without an interval and a plain figure there is no square, and the line has no length.
    expect(second!.map(({ type }) => type)).toEqual(['line', 'line', 'line', 'circle']);
    expect(second![0]!.shape).toMatchObject({ x1: 960, x2: 960 });
  });
  it('keep what lies beyond the axis at its end, and draw a line that intervals are read against', () => {
    const { series } = drawn(1200, 50);
    expect(series).toHaveLength(2);
    const beyond = series[0]!.renderItem(null, pen([0, 140, -20, 300, -999])).children!;
    expect(beyond[0]!.shape).toMatchObject({ x1: 0, x2: 1000 });
  });
});
