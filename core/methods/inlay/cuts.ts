import { laidPieces } from '../common/laid-face-shape';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';

export const WINDOW = 9;

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 50);
  const shape = laidPieces(wood, length, 5, 68);
  const slot =
    Math.round(2 * Math.sqrt(Math.max(0, (scion / 2 - wood.scionBark) ** 2 - (scion / 2 - shape.depth) ** 2)) * 10) /
    10;
  const deep = length - WINDOW;
  const fix = chosen(choices, school.INLAY_FIX);
  const cover = chosen(choices, school.COVER);
  const thinned = chosen(choices, school.ROUGH_BARK) === 'thinned';
  return { choices, stock, scion, length, shape, slot, deep, fix, cover, thinned };
}

export type Cuts = ReturnType<typeof cutsOf>;
