import {
  area,
  ellipseArc,
  line,
  type DisplayList,
  type Label,
  type Path,
  type Point,
} from '../../drawing/display-list';
import type { Limb } from './limb';

/** Drawing units are 10 mm of the tree. */
const UNIT = 10;

/** How far limbs are drawn from the trunk, mm. */
const REACH = 1100;
/** Length at which every limb is drawn, mm. */
const DRAWN = 900;

interface Sketch {
  width: number;
  height: number;
  items: (Path | Label)[];
}

const heightOf = (limbs: readonly Limb[]): number => Math.max(800, ...limbs.map(({ height }) => height)) + 700;

/**
 * A tree as a plan: from the side, limbs leaving the trunk at their height and angle, and from
 * above at their bearing. Grafted limbs end in a ring with their year, those that come out are
 * crossed, the nurse limb keeps its leaves.
 */
export function treeView(limbs: readonly Limb[]): DisplayList {
  const side = finished(fromTheSide(limbs));
  const above = finished(fromAbove(limbs, side.height));
  const shifted = above.items.map((item) => shift(item, side.width));
  return { width: side.width + above.width, height: side.height, items: [...side.items, ...shifted], anchors: [] };
}

/** The same as two drawings, for narrow screens. */
export function treeViews(limbs: readonly Limb[]): { side: DisplayList; above: DisplayList } {
  return { side: finished(fromTheSide(limbs)), above: finished(fromAbove(limbs, (2 * REACH) / UNIT + 26)) };
}

function finished({ width, height, items }: Sketch): DisplayList {
  apart(items);
  return { width, height, items, anchors: [] };
}

function shift(item: Path | Label, by: number): Path | Label {
  if (item.kind === 'label') return { ...item, at: [item.at[0] + by, item.at[1]] };
  return { ...item, points: item.points.map(([x, y]): Point => [x + by, y]) };
}

const thickness = ({ caliper }: Limb): number => Math.max(1.2, Math.min(6, caliper / UNIT));
const radians = (degrees: number): number => (degrees * Math.PI) / 180;

function fromTheSide(limbs: readonly Limb[]): Sketch {
  const high = heightOf(limbs);
  const height = high / UNIT + 26;
  const ground = height - 16;
  const trunk = REACH / UNIT + 10;
  const length = DRAWN / UNIT;
  const items: (Path | Label)[] = [
    line('level', [4, ground], [(2 * REACH) / UNIT + 16, ground]),
    area('bark', [
      [trunk - 6, ground],
      [trunk + 6, ground],
      [trunk + 3.5, ground - high / UNIT + 30],
      [trunk - 3.5, ground - high / UNIT + 30],
    ]),
    { kind: 'label', role: 'name', at: [trunk, height - 5], anchor: 'middle', text: 'from the side' },
  ];
  limbs.forEach((limb, i) => {
    const [bearing, lean] = [radians(limb.bearing), radians(limb.angle)];
    // From the side one sees how far a limb goes east or west; one that points north or south is drawn short.
    const side = Math.sin(bearing) >= 0 ? 1 : -1;
    const across = Math.max(0.35, Math.abs(Math.sin(bearing))) * Math.sin(lean) * length * side;
    const from: Point = [trunk + side * 3, ground - limb.height / UNIT];
    const to: Point = [from[0] + across, from[1] - Math.cos(lean) * length * 0.9];
    items.push(...drawLimb(limb, i + 1, from, to, thickness(limb)));
  });
  return { width: (2 * REACH) / UNIT + 20, height, items };
}

function fromAbove(limbs: readonly Limb[], height: number): Sketch {
  const width = (2 * REACH) / UNIT + 20;
  const centre: Point = [width / 2, height / 2 + 2];
  const length = DRAWN / UNIT;
  const items: (Path | Label)[] = [
    { kind: 'label', role: 'name', at: [centre[0], height - 5], anchor: 'middle', text: 'from above, north up' },
    area('wood', ellipseArc(centre, 5, 5)),
    { ...area('outline', ellipseArc(centre, 5, 5)), fill: false },
  ];
  limbs.forEach((limb, i) => {
    const [bearing, lean] = [radians(limb.bearing), radians(limb.angle)];
    const out: Point = [
      centre[0] + Math.sin(bearing) * length * Math.max(0.3, Math.sin(lean)),
      centre[1] - Math.cos(bearing) * length * Math.max(0.3, Math.sin(lean)),
    ];
    items.push(...drawLimb(limb, i + 1, centre, out, thickness(limb)));
  });
  return { width, height, items };
}

function drawLimb({ deed, year }: Limb, number: number, from: Point, to: Point, thick: number): (Path | Label)[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [dx, dy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const at = (along: number, aside: number): Point => [
    from[0] + dx * along - dy * aside,
    from[1] + dy * along + dx * aside,
  ];
  const shown = deed === 'graft' || deed === 'remove' ? length * 0.55 : length;
  const items: (Path | Label)[] = [
    area('bark', [at(0, -thick), at(shown, -thick * 0.6), at(shown, thick * 0.6), at(0, thick)]),
  ];
  if (deed === 'graft') {
    items.push(area('wood', ellipseArc(at(shown, 0), thick * 1.1, thick * 1.1)), {
      ...area('touch', ellipseArc(at(shown, 0), thick * 1.1, thick * 1.1)),
      fill: false,
    });
    for (const aside of [-0.5, 0.5])
      items.push(line('cambium-scion', at(shown, aside * thick), at(length * 0.85, aside * thick * 1.6)));
  } else if (deed === 'remove') {
    items.push(
      line('knife-cut', at(shown * 0.3 - 3, -thick - 2), at(shown * 0.3 + 3, thick + 2)),
      line('knife-cut', at(shown * 0.3 + 3, -thick - 2), at(shown * 0.3 - 3, thick + 2)),
      line('gap', at(shown, 0), at(length, 0)),
    );
  } else {
    for (const along of [0.45, 0.65, 0.85])
      for (const side of [-1, 1])
        items.push(
          area('bud', [
            at(length * along, side * thick * 0.4),
            at(length * along + 4, side * (thick + 4)),
            at(length * along + 8, side * (thick + 1)),
          ]),
        );
  }
  const label = at(length + 5, 0);
  items.push({
    kind: 'label',
    role: 'name',
    at: [label[0], label[1] + 2],
    anchor: 'middle',
    text: deed === 'leave' ? `${number}` : `${number}, y${year}`,
  });
  return items;
}

/** Moves labels that would cover one another up by a line, in place. */
function apart(items: (Path | Label)[]): void {
  const placed: Point[] = [];
  items.forEach((item, i) => {
    if (item.kind !== 'label') return;
    const [x] = item.at;
    let y = item.at[1];
    while (placed.some(([px, py]) => Math.abs(px - x) < 16 && Math.abs(py - y) < 6)) y -= 6;
    placed.push([x, y]);
    items[i] = { ...item, at: [x, y] };
  });
}
