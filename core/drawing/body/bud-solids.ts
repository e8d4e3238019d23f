import type { Bud } from '../workpieces';
import { aboutUpright, type Frame, HERE, leant, within } from './frame';
import type { Lathe, Solid } from './solid';

/** Which way a bud looks, degrees from the front towards the right. */
const FACING: Record<Bud['side'], number> = { front: 0, right: 90, back: 180, left: -90 };

/** A bud's own form, mm from its base: pointed, widest at a third. */
const BUD: Lathe = {
  kind: 'lathe',
  profile: [
    [-1.6, 0.9],
    [0, 1.4],
    [1.6, 1.35],
    [3.4, 0.55],
    [4.2, 0.05],
  ],
};
/** The cushion it sits on, by which a node stands out. */
const CUSHION: Lathe = {
  kind: 'lathe',
  profile: [
    [-3.2, 0.1],
    [-1.8, 1.5],
    [0.2, 1.7],
    [2.2, 0.2],
  ],
};
/** The scar its leaf left below it. */
const SCAR: Lathe = {
  kind: 'lathe',
  profile: [
    [-0.5, 0.9],
    [0.5, 0.75],
  ],
};
/** The stub of a leaf stalk, a handle. */
const HANDLE: Lathe = {
  kind: 'lathe',
  profile: [
    [0, 0.9],
    [7, 0.65],
  ],
};

/** A bud with its cushion, and its leaf's scar or the stub of its stalk, on a shoot of a radius. */
export function budSolids({ y, side, handle = false, upsideDown = false }: Bud, radius: number): Solid[] {
  const facing = aboutUpright(FACING[side]);
  const place: Frame = {
    at: [0, 0, y],
    axes: upsideDown
      ? [
          [1, 0, 0],
          [0, -1, 0],
          [0, 0, -1],
        ]
      : HERE.axes,
  };
  const on = (tilt: number, out: number, up: number): Frame => within(facing, within(place, leant(tilt, [out, 0, up])));
  // Slim wood carries slim buds.
  const size = Math.min(1, radius / 4);
  const grown = ({ profile }: Lathe): Lathe => ({
    kind: 'lathe',
    profile: profile.map(([at, wide]) => [at * size, wide * size]),
  });
  return [
    { shape: grown(CUSHION), shows: 'bark', frame: on(0, radius - 1.1 * size, 0) },
    { shape: grown(BUD), shows: 'bud', frame: on(16, radius - 0.1 * size, 0.4 * size) },
    handle
      ? { shape: grown(HANDLE), shows: 'bud', frame: on(52, radius - 0.4 * size, -1.8 * size) }
      : { shape: grown(SCAR), shows: 'bud', frame: on(78, radius + 0.15 * size, -2 * size) },
  ];
}
