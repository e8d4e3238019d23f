import { TOLERANCE } from '@/core/units/tolerance';
import { budOutline } from './bud-outline';
import { area, line, ring, type Label, type Path, type Point } from './display-list';
import { cutEdges, frontOutline, type Place, sideOutline, withinRadius } from './piece-outline';
import type { PiecesSide, Piece } from './workpieces';

export type Placer = (place: Place) => Point;

/** Share of the shoot's radius that is pith. */
export const PITH = 0.16;

/** A piece as it is drawn from one side: its layers, buds, and breaks where the shoot goes on. */
export function paintPiece(piece: Piece, at: Placer, view: PiecesSide, from: 'front' | 'back'): (Path | Label)[] {
  const items = view === 'side' ? paintSection(piece, at) : paintOutside(piece, at, from);
  const radius = piece.diameter / 2;
  for (const bud of piece.buds) {
    const side =
      view === 'side'
        ? { front: 1, back: -1, left: 0, right: 0 }[bud.side]
        : { left: -1, right: 1, front: 0, back: 0 }[bud.side];
    const hidden = side === 0 && (view === 'side' || (bud.side === 'front') !== (from === 'front'));
    if (hidden) continue;
    const up = bud.upsideDown ? -1 : 1;
    if (side !== 0) items.push(...node(side, radius, bud.y, up, at));
    items.push(area('bud', budOutline([side * radius, bud.y], side, { up }).map(at)));
    if (bud.handle)
      items.push(
        line(
          'outline',
          at([side * (radius + 0.2), bud.y - up]),
          at([side * (radius + 5) + (side === 0 ? 2 : 0), bud.y - up * 5.5]),
        ),
      );
  }
  for (const end of ['foot', 'top'] as const) {
    if (piece.goesOn[end])
      items.push(
        line(
          'break',
          at([-radius - 1.5, piece[end] - 0.8]),
          at([-radius / 3, piece[end] + 0.8]),
          at([radius / 3, piece[end] - 0.8]),
          at([radius + 1.5, piece[end] + 0.8]),
        ),
      );
  }
  return items;
}

function paintSection(piece: Piece, at: Placer): (Path | Label)[] {
  const outline = sideOutline(piece);
  const radius = piece.diameter / 2;
  const layer = (limit: number): Point[] => withinRadius(outline, limit).map(at);
  const items: (Path | Label)[] = [
    area('bark', layer(radius)),
    area('wood', layer(radius - piece.bark)),
    area('pith', layer(radius * PITH)),
  ];
  for (const side of [-1, 1]) {
    // The green line shows wherever bark is still on.
    const limit = side * (radius - piece.bark);
    const heights = outline.filter(([x]) => side * x >= radius - piece.bark - TOLERANCE).map(([, y]) => y);
    if (heights.length > 1) items.push(...greenAlong(outline, limit, at));
  }
  for (const kerf of piece.kerfs)
    items.push(line('knife-cut', ...kerf.line.map(([y, depth]) => at([sideX(kerf.side, radius, depth), y]))));
  for (const [from, to] of cutEdges(piece)) items.push(line('knife-cut', at(from), at(to)));
  return items;
}

/** Stretches of the upright line at `x` that lie inside the outline. */
function greenAlong(outline: Place[], x: number, at: Placer): Path[] {
  const crossings: number[] = [];
  outline.forEach((to, i) => {
    const from = outline[(i + outline.length - 1) % outline.length]!;
    if (from[0] > x !== to[0] > x) crossings.push(from[1] + ((x - from[0]) / (to[0] - from[0])) * (to[1] - from[1]));
  });
  crossings.sort((a, b) => a - b);
  const runs: Path[] = [];
  for (let i = 0; i + 1 < crossings.length; i += 2)
    runs.push(line('green', at([x, crossings[i]!]), at([x, crossings[i + 1]!])));
  return runs;
}

/** Where a depth under the bark of one side lies in the section, mm from the middle. */
export function sideX(side: Piece['kerfs'][number]['side'], radius: number, depth: number): number {
  return side === 'back' || side === 'left' ? depth - radius : radius - depth;
}

function paintOutside(piece: Piece, at: Placer, from: 'front' | 'back'): (Path | Label)[] {
  const { silhouette, faces } = frontOutline(piece, from);
  const items: (Path | Label)[] = [area('bark', silhouette.map(at))];
  // Bark lifted off in a strip shows as that strip, not as a flat across the whole piece.
  for (const { outline, green } of piece.bared.length > 0 ? [] : faces)
    items.push(ring('knife-cut', outline.map(at)), area('wood', green.map(at)), ring('meet', green.map(at)));
  if (from === 'back') return items;
  const radius = piece.diameter / 2;
  for (const { from: low, to, width, at: centre = 0 } of piece.bared) {
    const half = Math.min(width / 2, radius);
    const [left, right] = [Math.max(-radius, centre - half), Math.min(radius, centre + half)];
    const corners: Place[] = [
      [left, low],
      [right, low],
      [right, to],
      [left, to],
    ];
    items.push(area('wood', corners.map(at)), ring('green', corners.map(at)));
  }
  for (const gap of piece.gaps) items.push(area('gap', gap.map(at)), ring('knife-cut', gap.map(at)));
  for (const spots of piece.lines) items.push(line('knife-cut', ...spots.map(at)));
  for (const kerf of piece.kerfs) {
    // A kerf from the front shows as its mouth across the piece.
    const mouth = kerf.line.find(([, depth]) => depth < TOLERANCE);
    const through = kerf.line.some(([, depth]) => depth > piece.diameter * 0.9);
    if (mouth && kerf.side === 'front' && !through)
      items.push(line('knife-cut', at([-radius * 0.85, mouth[0]]), at([radius * 0.85, mouth[0]])));
  }
  return items;
}

/** A shoot swells below its bud; a leaf has left its scar there. The same form as the body's cushion. */
function node(side: number, radius: number, y: number, up: 1 | -1, at: Placer): Path[] {
  const size = Math.min(1, radius / 4);
  const cushion: [number, number][] = [
    [0, -3.4],
    [0.45, -2],
    [0.6, 0],
    [0.3, 1.6],
    [0, 2.4],
  ];
  const place = ([out, rise]: readonly [number, number]): Point =>
    at([side * (radius + out * size), y + up * rise * size]);
  return [area('bark', cushion.map(place)), line('outline', place([0.35, -2.6]), place([0.75, -1.5]))];
}
