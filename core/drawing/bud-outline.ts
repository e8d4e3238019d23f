import type { Place } from './piece-outline';

/** A bud on the edge of a shoot: outwards and up from its base, mm. */
const ON_EDGE: readonly (readonly [out: number, up: number])[] = [
  [0, -1.6],
  [1.4, -0.6],
  [1.7, 1.2],
  [0.8, 3.4],
  [0.1, 2.6],
];

/** A bud that looks at whoever looks. */
const FACE_ON: readonly (readonly [across: number, up: number])[] = [
  [0, 3.4],
  [1.3, 1.2],
  [1.2, -1],
  [0, -1.8],
  [-1.2, -1],
  [-1.3, 1.2],
];

/**
 * A bud's outline in a flat view, so many times its usual size.
 *
 * @param side to which it stands out, -1 or 1; 0 where it is seen from before.
 * @param up -1 on wood that is held upside down.
 */
export function budOutline(
  [x, y]: Place,
  side: number,
  { up = 1, size = 1 }: { up?: number; size?: number } = {},
): Place[] {
  return (side === 0 ? FACE_ON : ON_EDGE).map(([out, rise]): Place => [
    x + (side === 0 ? 1 : side) * out * size,
    y + up * rise * size,
  ]);
}
