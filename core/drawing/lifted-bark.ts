import { area, type Path } from './display-list';
import type { Place } from './piece-outline';
import type { Placer } from './piece-paint';
import type { Lip, Piece, Spot } from './workpieces';

/** Lips of a slit, open or laid on a piece again, from the front. */
export function lipsOf(piece: Piece, at: Placer): Path[] {
  return piece.lips.map((lip) => area('flap', (lip.coat ? bentLip(lip, lip.coat) : straightLip(lip)).map(at)));
}

/** A lip that is open, or lies on a piece again as far as it turns. */
function straightLip({ from, to, hinge, fold, points }: Lip): Spot[] {
  const edge = hinge + (points === undefined ? fold : Math.abs(fold) * Math.sin((points * Math.PI) / 180));
  const end = points === undefined ? Math.abs(fold) * 0.4 : 0;
  return [
    [hinge, from],
    [hinge, to],
    [edge, to - end],
    [edge, from + end],
  ];
}

/** A lip bent over an edge of a shield: past its ends both lips close up. */
function bentLip({ from, to, hinge }: Lip, { w, edge, foot, top }: NonNullable<Lip['coat']>): Spot[] {
  const [middle, inner] = [w, w + Math.sign(hinge) * edge];
  const closes = 3;
  return [
    [hinge, from],
    [hinge, to],
    ...(top < to
      ? ([
          [middle, to],
          [middle, Math.min(to, top + closes)],
        ] as Spot[])
      : []),
    [inner, Math.min(to, top - closes)],
    [inner, Math.max(from, foot + closes)],
    ...(foot > from
      ? ([
          [middle, Math.max(from, foot - closes)],
          [middle, from],
        ] as Spot[])
      : []),
  ];
}

/** Four flaps from the front. */
export function flapsOf(piece: Piece, at: Placer): Path[] {
  if (!piece.flaps || piece.flaps.state === 'cut') return [];
  const { width, length, foot, state } = piece.flaps;
  const radius = piece.diameter / 2;
  const sign = state === 'down' ? -1 : 1;
  const tip = foot + sign * length;
  const out = state === 'down' ? 6 : 0;
  const edge = (side: number): Spot[] => [
    [side * radius, foot],
    [side * (radius + piece.bark), foot + sign * 2],
    [side * (radius + piece.bark + out), tip],
    [side * (radius + out), tip],
  ];
  const half = Math.min(width / 2, radius);
  const middle: Spot[] = [
    [-half, foot],
    [half, foot],
    [half, state === 'down' ? foot - length : tip],
    [-half, state === 'down' ? foot - length : tip],
  ];
  return [edge(-1), edge(1), middle].map((spots) => area('flap', spots.map(at)));
}

/** Four flaps in a cut through the axis. */
export function sideFlaps(piece: Piece, at: Placer): Path[] {
  if (!piece.flaps || piece.flaps.state === 'cut') return [];
  const { length, foot, state } = piece.flaps;
  const radius = piece.diameter / 2;
  const sign = state === 'down' ? -1 : 1;
  const out = state === 'down' ? 6 : 0;
  const tip = foot + sign * length;
  return [-1, 1].map((side) =>
    area(
      'flap',
      (
        [
          [side * (radius - piece.bark), foot],
          [side * radius, foot],
          [side * (radius + out), tip],
          [side * (radius + out - piece.bark), tip],
        ] as Place[]
      ).map(at),
    ),
  );
}
