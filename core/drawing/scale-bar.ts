import { line, type Label, type Path, type Point } from './display-list';
import type { LengthUnit } from '../units/length';

/** Height of a line of words as a share of the drawing's, at the sizes it is shown. */
export const LINE_SHARE = 0.046;

/** A scale bar of 10 mm, or half an inch, its left end at `at`; its words one line, mm, below. */
export function scaleBar(at: Point, unit: LengthUnit, lineHeight = 2.4): (Path | Label)[] {
  const [x, y] = at;
  const length = unit === 'mm' ? 10 : 12.7;
  const tick = 0.6;
  return [
    line('scale', [x, y - tick], [x, y], [x + length, y], [x + length, y - tick]),
    {
      kind: 'label',
      role: 'scale',
      at: [x + length / 2, y + lineHeight],
      anchor: 'middle',
      text: unit === 'mm' ? '10 mm' : '0.5 in',
    },
  ];
}
