import { ROUNDING, TOLERANCE } from '@/core/units/tolerance';
import { PITH } from '../piece-paint';
import { sideCorners } from '../piece-outline';
import type { Piece, Side, Spot, Vertex } from '../workpieces';
import { budSolids } from './bud-solids';
import { foldedBark } from './folded-bark';
import { type Body, type Lathe, type Prism, rod, type Solid } from './solid';

/** Past the bark, so that a cut from outside leaves no skin, mm. */
const CLEAR = 9;
/** A knife line as wide as it is drawn, mm. */
const KERF = 0.5;
/** A shoot grows slimmer upwards by so much of its radius a millimetre. No source: a guess. */
const TAPER = 0.0009;
const SIDES: Side[] = ['front', 'back', 'left', 'right'];

/**
 * A piece as a body: a shoot with its buds, less all that was cut from it, with the bark that was folded off.
 * Its caliper is true from the foot to above the highest cut; from there it grows slimmer.
 *
 * @example pieceBody(shoot({ name: 'stock', diameter: 10, bark: 1, foot: -20, top: 40 })).cut // []
 */
export function pieceBody(piece: Piece): Body {
  const radius = piece.diameter / 2;
  const wood = rod(piece.foot - CLEAR, piece.top + CLEAR, Math.max(0, radius - piece.bark));
  return {
    grown: [{ shape: grownRound(piece), shows: 'bark' }, ...piece.buds.flatMap((bud) => budSolids(bud, radius))],
    cut: [
      ...(ringed(piece)
        ? [bareRing(piece, wood)]
        : SIDES.flatMap((side) => (liftedOnly(piece, side) ? [] : cutOf(piece, side, wood)))),
      ...narrowed(piece),
      ...piece.bared.map((strip) => bareStrip(strip, radius, wood)),
      ...piece.gaps.map((gap): Solid => ({ shape: through('u', gap, radius), shows: 'cut' })),
      ...piece.kerfs.map(({ side, line, split }) =>
        split ? splitOf(line[0]![0], piece.top, radius) : kerfOf(side, line, radius),
      ),
      ...piece.lines.flatMap((spots) => barkLine(spots, radius, wood)),
    ],
    folded: foldedBark(piece),
    layers: { bark: radius, wood: Math.max(0, radius - piece.bark), pith: radius * PITH },
  };
}

function grownRound(piece: Piece): Lathe {
  const radius = piece.diameter / 2;
  const highest = Math.max(
    ...SIDES.flatMap((side) => piece.cuts[side].map(([y]) => y)),
    ...piece.buds.map(({ y }) => y),
    0,
  );
  const from = Math.max(piece.foot, Math.min(highest + 4, piece.top));
  if (piece.top - from < 1) return rod(piece.foot, piece.top, radius);
  return {
    kind: 'lathe',
    profile: [
      [piece.foot, radius],
      [from, radius],
      [piece.top, radius * (1 - TAPER * (piece.top - from))],
    ],
  };
}

/** Whether all that went on a side is bark, told by its strip and not as a flat across the piece. */
function liftedOnly(piece: Piece, side: Side): boolean {
  return side === 'front' && piece.bared.length > 0;
}

/** Whether bark is off all round. */
function ringed(piece: Piece): boolean {
  return SIDES.every((side) => {
    const corners = piece.cuts[side];
    return corners.length > 1 && corners.every(([, depth]) => depth <= piece.bark + TOLERANCE);
  });
}

function bareRing(piece: Piece, wood: Lathe): Solid {
  const heights = piece.cuts.front.map(([y]) => y);
  const top = Math.max(...heights);
  const [from, to] = [Math.min(...heights), top > piece.top - ROUNDING ? top + CLEAR : top];
  return { shape: rod(from, to, piece.diameter / 2 + CLEAR), shows: 'bared', but: [wood] };
}

function through(along: 'u' | 'w', outline: readonly Spot[] | Prism['outline'], radius: number): Prism {
  return { kind: 'prism', along, outline, from: -radius - CLEAR, to: radius + CLEAR };
}

/** What is cut away on a side: all from its corners outwards. */
function cutOf(piece: Piece, side: Side, wood: Lathe): Solid[] {
  const corners = sideCorners(piece, side);
  if (corners.length < 2) return [];
  const radius = piece.diameter / 2;
  const sign = side === 'back' || side === 'left' ? -1 : 1;
  const [first, last] = [corners[0]!, corners.at(-1)!];
  const spots: Spot[] = corners.map(([y, depth]) => [sign * (radius - depth), y]);
  // A cut that reaches an end takes all beyond it.
  const below: Spot[] =
    first[1] > TOLERANCE && first[0] <= piece.foot + TOLERANCE ? [[spots[0]![0], first[0] - CLEAR]] : [];
  const above: Spot[] =
    last[1] > TOLERANCE && last[0] >= piece.top - TOLERANCE ? [[spots.at(-1)![0], last[0] + CLEAR]] : [];
  const inner = [...below, ...spots, ...above];
  const out = sign * (radius + CLEAR);
  const outline: Spot[] = [[out, inner[0]![1]], ...inner, [out, inner.at(-1)![1]]];
  if (peeled(piece, corners))
    return [
      { shape: wood, shows: 'bared' },
      { shape: through('w', block(-radius - CLEAR, 0, piece.foot - 1, piece.top + 1), radius), shows: 'cut' },
    ];
  return [{ shape: through(side === 'left' || side === 'right' ? 'u' : 'w', outline, radius), shows: 'cut' }];
}

/** Whether a piece is bark by itself, which keeps the round of the wood it came off. */
function peeled({ halfWidth, diameter, bark }: Piece, corners: readonly Vertex[]): boolean {
  return halfWidth !== null && corners.every(([, depth]) => Math.abs(diameter - bark - depth) < TOLERANCE);
}

function block(from: number, to: number, foot: number, top: number): Spot[] {
  return [
    [from, foot],
    [from, top],
    [to, top],
    [to, foot],
  ];
}

/** What lies beyond the width of a narrow piece. */
function narrowed({ halfWidth, diameter, foot, top }: Piece): Solid[] {
  if (halfWidth === null) return [];
  const radius = diameter / 2;
  return [-1, 1].map((sign): Solid => {
    const outline = block(sign * halfWidth, sign * (radius + CLEAR), foot - 1, top + 1);
    return { shape: through('u', outline, radius), shows: 'cut' };
  });
}

/** A strip of bark off the front, down to the wood. */
function bareStrip({ from, to, width, at = 0 }: Piece['bared'][number], radius: number, wood: Lathe): Solid {
  return {
    shape: {
      kind: 'prism',
      along: 'u',
      outline: block(at - width / 2, at + width / 2, from, to),
      from: 0,
      to: radius + CLEAR,
    },
    shows: 'bared',
    but: [wood],
  };
}

/** A split right through, as wide as a line, from its foot up. */
function splitOf(foot: number, top: number, radius: number): Solid {
  return { shape: through('u', block(-KERF / 2, KERF / 2, foot, top + CLEAR), radius), shows: 'kerf' };
}

/** A cut that took nothing off, as wide as a line. */
function kerfOf(side: Side, line: Vertex[], radius: number): Solid {
  const sign = side === 'back' || side === 'left' ? -1 : 1;
  return {
    shape: through(
      side === 'left' || side === 'right' ? 'u' : 'w',
      ribbon(line.map(([y, depth]): Spot => [sign * (radius - depth), y])),
      radius,
    ),
    shows: 'kerf',
  };
}

/** A knife line through the bark of the front. */
function barkLine(spots: Spot[], radius: number, wood: Lathe): Solid[] {
  return spots.slice(1).map((to, i) => ({
    shape: { kind: 'prism', along: 'u', outline: ribbon([spots[i]!, to]), from: 0, to: radius + CLEAR },
    shows: 'kerf',
    but: [wood],
  }));
}

/** A line of corners as an outline as wide as a knife line. */
function ribbon(spots: readonly Spot[]): Spot[] {
  const aside = spots.map((spot, i): Spot => {
    const [before, after] = [spots[Math.max(0, i - 1)]!, spots[Math.min(spots.length - 1, i + 1)]!];
    const [da, dy] = [after[0] - before[0], after[1] - before[1]];
    const length = Math.hypot(da, dy) || 1;
    return [(-dy / length) * (KERF / 2), (da / length) * (KERF / 2)];
  });
  return [
    ...spots.map(([a, y], i): Spot => [a + aside[i]![0], y + aside[i]![1]]),
    ...spots.map(([a, y], i): Spot => [a - aside[i]![0], y - aside[i]![1]]).reverse(),
  ];
}
