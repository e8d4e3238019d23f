import { line, type Label, type Path, type Point } from './display-list';
import type { LengthUnit } from '../units/length';

/** Where a drawing is looked at: words take more of a small one on paper. */
export type ShownOn = 'screen' | 'paper';

/** Height of a line of words as a share of the drawing's, at the sizes it is shown. */
export const LINE_SHARE: Record<ShownOn, number> = { screen: 0.046, paper: 0.074 };

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

/** How wide a name is, in heights of its line. */
const LETTER = 0.56;

/** How far apart the middles of two names have to be that stand on one line, mm. */
export function apartForNames(names: readonly [string, string], lineHeight: number): number {
  return ((names[0].length + names[1].length) / 2 + 1.5) * LETTER * lineHeight;
}
