import { TOLERANCE } from '@/core/units/tolerance';
import { arrowHead } from './arrow-head';
import { line, type Path } from './display-list';
import { cutEdges, type Place } from './piece-outline';
import type { PiecesSide, Piece, Workpieces } from './workpieces';
import { type Placer, sideX } from './piece-paint';
import type { PiecesViewOptions } from './pieces-view-options';

/** What the knife did between two steps: new cut edges in the section, new lines on the front. */
export function knifePath(
  before: Workpieces,
  after: Workpieces,
  at: Record<'stock' | 'scion', Placer>,
  { view, pull }: PiecesViewOptions,
): Path[] {
  const paths: Path[] = [];
  for (const name of ['stock', 'scion'] as const) {
    const known = new Set(strokesOf(before[name], view).map(keyOf));
    for (const stroke of chained(strokesOf(after[name], view).filter((shown) => !known.has(keyOf(shown))))) {
      const upwards = stroke.at(-1)![1] > stroke[0]![1];
      const ordered = pull && upwards !== (pull === 'up') ? [...stroke].reverse() : stroke;
      const points = ordered.map(at[name]);
      paths.push(line('knife', ...points), arrowHead(points.at(-2)!, points.at(-1)!));
    }
  }
  return paths;
}

function strokesOf(piece: Piece, view: PiecesSide): Place[][] {
  if (view === 'side') {
    const radius = piece.diameter / 2;
    return [
      ...cutEdges(piece),
      ...piece.kerfs.map((kerf) => kerf.line.map(([y, depth]): Place => [sideX(kerf.side, radius, depth), y])),
    ];
  }
  return piece.lines.map((spots) => spots.map((spot): Place => spot));
}

/** Strokes that go on from one another as one: the blade was pulled once. */
function chained(strokes: Place[][]): Place[][] {
  return strokes.reduce<Place[][]>((all, stroke) => {
    const last = all.at(-1);
    const end = last?.at(-1);
    if (!last || !end || Math.hypot(end[0] - stroke[0]![0], end[1] - stroke[0]![1]) > TOLERANCE)
      return [...all, stroke];
    return [...all.slice(0, -1), [...last, ...stroke.slice(1)]];
  }, []);
}

function keyOf(stroke: Place[]): string {
  return stroke
    .map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`)
    .sort()
    .join(' ');
}
