import {
  area,
  type DisplayList,
  ellipseArc,
  type Label,
  line,
  type Path,
  type Point,
  ring,
} from '../../drawing/display-list';
import { formatLength, type LengthUnit } from '../../units/length';
import { roomLength } from '../../units/room-length';
import type { Rows, Spot } from './place';

/** Ground round a young graft that is neither mown nor trimmed, mm: usual practice for whips in grass. */
export const KEEP_OFF = 500;

const label = (at: Point, text: string, anchor: Label['anchor'] = 'start'): Label => ({
  kind: 'label',
  role: 'name',
  at,
  anchor,
  text,
});

/**
 * A young graft from the side, for somebody who has never seen one: its tag, the tie round the union, what grows above it
 * and is kept, and the ground round it that no mower comes near. In drawing units of 10 mm of the plant.
 */
export function keepOffDrawing(unit: LengthUnit): DisplayList {
  const ground = 84;
  const stem = 60;
  const items: (Path | Label)[] = [
    line('level', [4, ground], [136, ground]),
    area('bark', [
      [stem - 1.6, ground],
      [stem - 1.3, 64],
      [stem + 1.3, 64],
      [stem + 1.6, ground],
    ]),
    area('wrap', [
      [stem - 2, 65],
      [stem - 2, 54],
      [stem + 2, 54],
      [stem + 2, 65],
    ]),
    line('hatch', [stem - 2, 57], [stem + 2, 56]),
    line('hatch', [stem - 2, 60], [stem + 2, 59]),
    line('hatch', [stem - 2, 63], [stem + 2, 62]),
    area('bark', [
      [stem - 1.1, 54],
      [stem - 0.8, 34],
      [stem + 0.8, 34],
      [stem + 1.1, 54],
    ]),
    line('shoot', [stem, 38], [stem + 3, 24], [stem + 4, 12]),
    ...[
      [stem + 3, 26, 8],
      [stem + 3.4, 20, -8],
      [stem + 4, 13, 7],
    ].map(([x, y, side]): Path =>
      area('leaf', [
        [x!, y!],
        [x! + side! * 0.5, y! - 3],
        [x! + side!, y! - 1],
        [x! + side! * 0.5, y! + 1.5],
      ]),
    ),
    line('outline', [stem + 1.5, 50], [stem + 7, 52]),
    ring('tag', [
      [stem + 7, 49],
      [stem + 15, 49],
      [stem + 15, 55],
      [stem + 7, 55],
    ]),
    ring('ghost', ellipseArc([stem, ground], KEEP_OFF / 10, 6)),
    line('dimension', [stem, ground + 9], [stem + KEEP_OFF / 10, ground + 9]),
    line('knife-cut', [stem + 26, ground - 10], [stem + 38, ground - 2]),
    line('knife-cut', [stem + 26, ground - 2], [stem + 38, ground - 10]),
    label([stem + 9, 22], 'the graft: cut nothing of it'),
    label([stem + 17, 53], 'its tag stays on'),
    label([stem - 5, 60], 'the tie: we take it off', 'end'),
    label([stem - 5, 76], 'shoots down here: leave them to us', 'end'),
    label([stem + 3, ground + 14], `mow and trim no nearer than ${formatLength(KEEP_OFF, unit)}`),
  ];
  return { width: 140, height: 102, items, anchors: [] };
}

/**
 * A bed from above, scaled to a width, with what stands in it: rows as lines, plants as dots.
 *
 * @throws RangeError for a bed nobody measured
 */
export function bedFromAbove(rows: Rows, spots: readonly Spot[], unit: LengthUnit, width = 120): DisplayList {
  if (rows.spacing === null || rows.between === null) throw new RangeError('A bed is drawn once it is measured.');
  const [long, deep] = [rows.each * rows.spacing, rows.count * rows.between];
  const scale = width / long;
  const height = Math.max(8, deep * scale);
  const at = (row: number, position: number): Point => [
    (position - 0.5) * rows.spacing! * scale + 2,
    ((row - 0.5) * height) / rows.count + 2,
  ];
  const items: (Path | Label)[] = [
    ring('outline', [
      [2, 2],
      [width + 2, 2],
      [width + 2, height + 2],
      [2, height + 2],
    ]),
    ...Array.from({ length: rows.count }, (_, i) => line('level', [2, at(i + 1, 1)[1]], [width + 2, at(i + 1, 1)[1]])),
    ...spots.flatMap(({ row, position }) =>
      row === null || position === null ? [] : [area('leaf', ellipseArc(at(row, position), 1.2, 1.2))],
    ),
    label([2, height + 9], `${roomLength(long / 1000, unit)} by ${roomLength(deep / 1000, unit)}, row 1 on top`),
  ];
  return { width: width + 4, height: height + 12, items, anchors: [] };
}
