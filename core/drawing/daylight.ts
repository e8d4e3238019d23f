import { area, type Path, ring } from './display-list';
import { frontOutline, type Place, sideOutline } from './piece-outline';
import { type Placer, sideX } from './piece-paint';
import { depthAt, type PiecesSide, type Piece, type Side } from './workpieces';

/** Less than this is no fault one sees, mm. */
const SEEN = 0.15;
/** Places along a cut at which both are compared. */
const PLACES = 48;

/** A stretch where a piece lacks wood that it should have. */
export interface Daylight {
  outline: Place[];
  /** How deep it is at its deepest, mm, and where that is. */
  deepest: number;
  at: Place;
}

/**
 * Where a piece that was cut wrongly stands back from the same piece cut right, on its front and its back.
 *
 * @example daylightOf(hollowed(whip), whip)[0].deepest // 1.6
 */
export function daylightOf(wrong: Piece, right: Piece): Daylight[] {
  return (['front', 'back'] as const).flatMap((side) => alongSide(wrong, right, side));
}

function alongSide(wrong: Piece, right: Piece, side: Side): Daylight[] {
  // Tongues stand out of the face that is compared.
  const [bad, good] = [wrong.cuts[side], right.cuts[side]];
  const heights = [...bad, ...good].map(([y]) => y);
  if (bad.length < 2 || good.length < 2) return [];
  const radius = right.diameter / 2;
  const low = Math.max(Math.min(...heights), wrong.foot, right.foot);
  const high = Math.min(Math.max(...heights), wrong.top, right.top);
  const found: Daylight[] = [];
  let run: { y: number; from: number; to: number }[] = [];
  const close = (): void => {
    if (run.length > 2) {
      const worst = run.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
      found.push({
        outline: [
          ...run.map(({ y, from }): Place => [sideX(side, radius, from), y]),
          ...[...run].reverse().map(({ y, to }): Place => [sideX(side, radius, to), y]),
        ],
        deepest: worst.to - worst.from,
        at: [sideX(side, radius, (worst.from + worst.to) / 2), worst.y],
      });
    }
    run = [];
  };
  for (let i = 0; i <= PLACES; i++) {
    const y = low + ((high - low) * i) / PLACES;
    const [from, to] = [depthAt(good, y), depthAt(bad, y)];
    if (to - from > SEEN) run.push({ y, from, to });
    else close();
  }
  close();
  return found;
}

/** Daylight less deep than this cannot be seen across a room: it is drawn deeper, and that is said, mm. */
const DRAWN_DEEP = 0.9;

/** How many times as deep as it is daylight is drawn. */
export function exaggeration(deepest: number): number {
  return deepest < DRAWN_DEEP ? Math.ceil(DRAWN_DEEP / deepest) : 1;
}

/** The right piece as a dotted outline over the wrong one, and the daylight between them filled. */
export function paintFault(wrong: Piece, right: Piece, at: { wrong: Placer; right: Placer }, view: PiecesSide): Path[] {
  const ghost = (view === 'side' ? sideOutline(right) : frontOutline(right).silhouette).map(at.right);
  if (view === 'front') return [ring('ghost', ghost)];
  return [
    ring('ghost', ghost),
    ...daylightOf(wrong, right).map(({ outline, deepest }) =>
      area('daylight', deepened(outline, exaggeration(deepest)).map(at.wrong)),
    ),
  ];
}

/** An outline of daylight, its far side so many times as far from the near one. */
function deepened(outline: Place[], times: number): Place[] {
  const half = outline.length / 2;
  return outline.map(([x, y], i): Place => {
    if (i < half) return [x, y];
    const near = outline[outline.length - 1 - i]!;
    return [near[0] + (x - near[0]) * times, y];
  });
}
