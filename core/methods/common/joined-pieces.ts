import type { Piece, Workpieces } from '../../drawing/workpieces';
import type { Figures } from '../measures';
import type { Technique, Wood } from '../method';
import type { Choices } from '../school';
import { piecesAfter } from '../step';

/** Wood shown below and above the joint, mm: what is judged lies at the joint, and is drawn the larger for it. */
const BELOW = 12;
const ABOVE = 16;

/** The pieces as they are once joined, before anything is put on, made from the figures of a union; cropped to their joint. */
export function joinedPieces(
  technique: (choices: Choices, wood: Wood) => Technique,
  choices: Choices,
  figures: Figures,
  length?: number,
): Workpieces {
  const { start, steps } = technique(choices, {
    stock: figures.stockDiameter!,
    scion: figures.scionDiameter!,
    stockBark: figures.stockBark!,
    scionBark: figures.scionBark!,
    ...(length === undefined ? {} : { length }),
  });
  const joins = steps.findIndex((step) => step.joins);
  return aroundJoint({ ...piecesAfter(start, steps.slice(0, joins + 1)).at(-1)!, covers: [] });
}

function aroundJoint(pieces: Workpieces): Workpieces {
  const { stock, scion } = pieces;
  const reach = [...heightsOf(stock), ...heightsOf(scion).map((y) => y + scion.pose.y)];
  const low = Math.min(...reach) - BELOW;
  // The lowest bud is in sight: it says which way is up.
  const bud = Math.min(...scion.buds.map(({ y }) => y + scion.pose.y).filter((y) => y > low), Infinity);
  const high = Math.max(...reach, Number.isFinite(bud) ? bud : -Infinity) + ABOVE;
  return {
    ...pieces,
    stock: cropped(stock, low, high),
    scion: cropped(scion, low - scion.pose.y, high - scion.pose.y),
  };
}

/** Heights on a piece at which something was cut. */
function heightsOf({ cuts, kerfs, gaps, bared, flaps }: Piece): number[] {
  return [
    ...Object.values(cuts).flatMap((corners) => corners.map(([y]) => y)),
    ...kerfs.flatMap(({ line }) => line.map(([y]) => y)),
    ...gaps.flatMap((gap) => gap.map(([, y]) => y)),
    ...bared.flatMap(({ from, to }) => [from, to]),
    ...(flaps ? [flaps.foot, flaps.foot + flaps.length] : []),
  ];
}

function cropped(piece: Piece, low: number, high: number): Piece {
  const [foot, top] = [Math.max(piece.foot, low), Math.min(piece.top, high)];
  return {
    ...piece,
    foot,
    top,
    goesOn: { foot: piece.goesOn.foot || foot > piece.foot, top: piece.goesOn.top || top < piece.top },
    buds: piece.buds.filter(({ y }) => y > foot && y < top),
  };
}
