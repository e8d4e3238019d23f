import type { FlapContact, FlapUnion } from '../contact/flap-contact';
import { formatLength, type LengthUnit } from '../units/length';
import { area, line, ring, type DisplayList, type Label, type Path, type Point } from './display-list';
import { scaleBar } from './scale-bar';

/** The four sides unrolled: each flat of the scion, its flap over it as a dashed outline, and what is covered drawn thick. */
export function flapView({ flaps, flats }: FlapUnion, { runs }: FlapContact, unit: LengthUnit): DisplayList {
  const widest = Math.max(...flaps.map(({ width }) => width), ...flats.map(({ width }) => width));
  const longest = Math.max(...flaps.map(({ length }) => length), ...flats.map(({ length }) => length));
  const gap = 4;
  const margin = 4;
  const top = 9;
  const width = 4 * widest + 3 * gap + 2 * margin;
  const height = top + longest + 16;
  const foot = top + longest;
  const items: (Path | Label)[] = [];
  flats.forEach((flat, i) => {
    const flap = flaps[i]!;
    const middle = margin + widest / 2 + i * (widest + gap);
    const box = (half: number, high: number): Point[] => [
      [middle - half, foot],
      [middle + half, foot],
      [middle + half, foot - high],
      [middle - half, foot - high],
    ];
    items.push(
      area('wood', box(flat.width / 2, flat.length)),
      ring('cambium-stock', box(flat.width / 2, flat.length)),
      ring('cambium-scion', box(flap.width / 2, flap.length)),
    );
    const covered = runs[i]!.length;
    items.push(line('touch', [middle, foot], [middle, foot - covered]));
    if (covered < flat.length - 0.05) items.push(line('gap', [middle, foot - covered], [middle, foot - flat.length]));
    items.push(
      { kind: 'label', role: 'name', at: [middle, top - 2.5], anchor: 'middle', text: String(i + 1) },
      { kind: 'label', role: 'dimension', at: [middle, foot + 5], anchor: 'middle', text: formatLength(covered, unit) },
    );
  });
  items.push(...scaleBar([width / 2 - 5, height - 4], unit));
  return { width, height, items, anchors: [] };
}
