import { TOLERANCE } from '@/core/units/tolerance';
import type { UnionContact } from '../contact/union-contact';
import type { WedgeUnion } from '../contact/wedge-contact';
import { formatLength, type LengthUnit } from '../units/length';
import { area, line, type DisplayList, type Label, type Path, type Point } from './display-list';
import { scaleBar } from './scale-bar';

/**
 * A wedge in its split, looked at square to its face: the stock's wood from its outer surface
 * inwards, the wedge on it, and the green lines of both, thick where they meet. The outer surface
 * is on the left.
 */
export function wedgeView(union: WedgeUnion, result: UnionContact, unit: LengthUnit): DisplayList {
  const { inset, tilt, length, stockBark, scionBark, stockDiameter = 20, scionDiameter = 8 } = union;
  const shown = Math.min(stockDiameter, Math.max(scionDiameter * 1.8, inset + scionDiameter + 4));
  const whole = shown >= stockDiameter - TOLERANCE;
  const margin = 13;
  const top = 12;
  const left = margin + Math.max(0, -inset);
  const width = left + Math.max(shown, inset + scionDiameter) + margin;
  const height = top + length + 14;
  const slope = Math.tan((tilt * Math.PI) / 180);
  const at = (across: number, x: number): Point => [left + across, top + x];
  const onScion = (across: number, x: number): Point => at(inset + across + x * slope, x);
  const box = (from: number, to: number): Point[] => [at(from, 0), at(to, 0), at(to, length + 5), at(from, length + 5)];
  const strip = (from: number, to: number): Point[] => [
    onScion(from, -9),
    onScion(to, -9),
    onScion(to, length),
    onScion(from, length),
  ];
  const items: (Path | Label)[] = [
    area('bark', box(0, shown)),
    area('wood', box(stockBark, whole ? shown - stockBark : shown)),
  ];
  items.push(area('bark', strip(0, scionDiameter)), area('wood', strip(scionBark, scionDiameter - scionBark)));
  const lines = result.left === null ? ['outer'] : ['outer', 'inner'];
  for (const name of lines) {
    const outer = name === 'outer';
    const stockLine = outer ? stockBark : stockDiameter - stockBark;
    const scionLine = outer ? scionBark : scionDiameter - scionBark;
    items.push(
      line('cambium-stock', at(stockLine, 0), at(stockLine, length)),
      line('cambium-scion', onScion(scionLine, 0), onScion(scionLine, length)),
    );
    const runs = result.runs.filter((run) => run.line === name);
    for (let x = 0.5; x < length; x += 1.4) {
      const open = !runs.some(({ from, to }) => x >= from && x <= to);
      if (open) items.push(line('gap', at(stockLine, x), onScion(scionLine, x)));
    }
    for (const { from, to } of runs) items.push(line('touch', at(stockLine, from), at(stockLine, to)));
    const sum = runs.reduce((total, run) => total + run.length, 0);
    const label: Label = outer
      ? {
          kind: 'label',
          role: 'dimension',
          at: [left - Math.max(0, -inset) - 1.5, top + length / 2],
          anchor: 'end',
          text: sum < 0.05 ? 'no touch' : formatLength(sum, unit),
        }
      : {
          kind: 'label',
          role: 'dimension',
          at: [width - margin + 1.5, top + length / 2],
          anchor: 'start',
          text: sum < 0.05 ? 'no touch' : formatLength(sum, unit),
        };
    items.push(label);
  }
  items.push({ kind: 'label', role: 'name', at: [left - 1.5, top - 0.5], anchor: 'end', text: 'outer' });
  items.push({ kind: 'label', role: 'name', at: [width - margin + 1.5, top - 0.5], anchor: 'start', text: 'inner' });
  items.push(...scaleBar([width / 2 - 5, height - 4], unit));
  return { width, height, items, anchors: [] };
}
