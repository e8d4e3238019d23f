import { budOutline } from './bud-outline';
import { area, type Label, line, type Path, type Point } from './display-list';
import { cutEdges, type Place, sideOutline } from './piece-outline';
import type { Placer } from './piece-paint';
import { depthAt, type Piece, type Workpieces } from './workpieces';

/** How a union looks some time after it was made. */
export interface Growth {
  /** Beads of callus along the joint. */
  callus: boolean;
  /** The scion's uppermost bud. */
  bud: 'asleep' | 'swelling' | 'leaf' | 'dry';
  /** New shoot from it, mm; drawn no longer than there is room, and named. */
  shoot: number;
  /** A scion that dries: it wrinkles, then it is brown. */
  withered: 'no' | 'wrinkled' | 'brown';
  /** Shoots of the stock below the union. */
  suckers: boolean;
}

/** Most of a shoot that is drawn, mm. */
const MOST = 34;
/** Between leaves of a shoot, mm. */
const BETWEEN = 9;

/** How far above its bud a shoot is drawn, mm. */
export const drawnShoot = ({ shoot }: Growth): number => Math.min(MOST, shoot);

/** What grew and what withered, over the pieces in the side view. */
export function paintGrowth(
  growth: Growth,
  pieces: Workpieces,
  at: Record<'stock' | 'scion', Placer>,
  named: string | null,
): (Path | Label)[] {
  const { stock, scion } = pieces;
  const bud = topBud(scion);
  const items: (Path | Label)[] = [];
  if (growth.withered !== 'no') items.push(...withered(scion, at.scion, growth.withered));
  if (growth.callus) items.push(...callus(stock, at.stock));
  if (growth.suckers) items.push(...[8, 15].flatMap((up, i) => sucker(stock, up, i === 0 ? 1 : -1, at.stock)));
  if (!bud) return items;
  const side = bud.side === 'back' ? -1 : 1;
  const root: Place = [(side * scion.diameter) / 2, bud.y];
  if (growth.bud === 'swelling') items.push(area('bud', budOutline(root, side, { size: 1.7 }).map(at.scion)));
  if (growth.bud === 'dry') items.push(area('withered', budOutline(root, side, { size: 1.2 }).map(at.scion)));
  if (growth.bud === 'leaf' || growth.shoot > 0) items.push(...shoot(root, side, drawnShoot(growth), at.scion));
  if (named !== null) {
    const [x, y] = at.scion([0, bud.y + drawnShoot(growth) + 8]);
    items.push({ kind: 'label', role: 'name', at: [x, y], anchor: 'middle', text: named });
  }
  return items;
}

/** The uppermost bud of a scion in a side view; a bud or a shield has one. */
export function topBud(scion: Piece): Piece['buds'][number] | null {
  const seen = scion.buds.filter(({ side }) => side === 'front' || side === 'back');
  return seen.reduce<Piece['buds'][number] | null>((top, bud) => (top && top.y >= bud.y ? top : bud), null);
}

/** A stem with its leaves; a bud that just opens has a pair. */
function shoot([x, y]: Place, side: number, long: number, at: Placer): Path[] {
  const tip: Place = [x + side * (2.5 + long * 0.12), y + 2 + long];
  const leaves = Math.max(1, Math.floor(long / BETWEEN));
  const along = (share: number): Place => [x + (tip[0] - x) * share, y + (tip[1] - y) * share];
  return [
    ...(long > 0 ? [line('shoot', at([x, y]), at(along(0.5)), at(tip))] : []),
    ...Array.from({ length: leaves }, (_, i) => along((i + 1) / leaves)).flatMap((place) => [
      leaf(place, 1, at),
      leaf(place, -1, at),
    ]),
  ];
}

function leaf([x, y]: Place, side: number, at: Placer): Path {
  const outline: Place[] = [
    [0, 0],
    [2.2, 2.6],
    [5.4, 3.4],
    [7.6, 2.4],
    [5.6, 0.8],
    [2.4, -0.2],
  ];
  return area(
    'leaf',
    outline.map(([out, up]) => at([x + side * out, y + up])),
  );
}

/** A shoot of the stock, `up` mm above the lowest wood that is drawn. */
function sucker(stock: Piece, up: number, side: number, at: Placer): Path[] {
  const root: Place = [(side * stock.diameter) / 2, stock.foot + up];
  const tip: Place = [root[0] + side * 7, root[1] + 8];
  return [line('shoot', at(root), at(tip)), leaf(tip, side, at), leaf([root[0] + side * 4, root[1] + 5], -side, at)];
}

/** Beads along the lines where a joint shows. */
function callus(stock: Piece, at: Placer): Path[] {
  const beads = cutEdges(stock).flatMap(([from, to]) => {
    const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
    const count = Math.max(2, Math.round(long / 2.4));
    return Array.from({ length: count + 1 }, (_, i): Place => [
      from[0] + ((to[0] - from[0]) * i) / count,
      from[1] + ((to[1] - from[1]) * i) / count,
    ]);
  });
  return beads.map((bead, i) => area('callus', round(bead, i % 2 === 0 ? 1.1 : 0.8).map(at)));
}

function round([x, y]: Place, radius: number): Place[] {
  return Array.from({ length: 8 }, (_, i): Place => [
    x + radius * Math.cos((Math.PI * i) / 4),
    y + radius * Math.sin((Math.PI * i) / 4),
  ]);
}

/** A scion that dries: brown all over, or wrinkled along its bark. */
function withered(scion: Piece, at: Placer, how: 'wrinkled' | 'brown'): Path[] {
  const { foot, top, diameter, cuts } = scion;
  const radius = diameter / 2;
  const wrinkles = Array.from({ length: 6 }, (_, i): Point[] => {
    const y = foot + ((top - foot) * (i + 1)) / 7;
    const [left, right] = [depthAt(cuts.back, y) - radius, radius - depthAt(cuts.front, y)];
    return [0, 1, 2, 3, 4].map((k) => at([left + ((right - left) * (k + 0.15)) / 4.3, y + (k % 2 === 0 ? 0 : 1.1)]));
  });
  return [
    ...(how === 'brown' ? [area('withered', sideOutline(scion).map(at))] : []),
    ...wrinkles.map((points) => line('wrinkle', ...points)),
  ];
}
