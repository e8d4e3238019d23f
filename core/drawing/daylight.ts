import { formatLength, type LengthUnit } from '../units/length';
import { area, type Label, line, type Path, type Point, ring } from './display-list';
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

interface ShownOptions {
  view: PiecesSide;
  unit: LengthUnit;
  /** Across the piece where names of faults stand, mm from its axis. */
  aside: number;
  /** Height of a line of words, mm. */
  lineHeight: number;
}

/** The right piece as a dotted outline over the wrong one; the daylight between them filled, and named by its depth. */
export function paintFault(
  wrong: Piece,
  right: Piece,
  at: { wrong: Placer; right: Placer },
  { view, unit, aside, lineHeight }: ShownOptions,
): (Path | Label)[] {
  const ghost = (view === 'side' ? sideOutline(right) : frontOutline(right).silhouette).map(at.right);
  const shown: (Path | Label)[] = [ring('ghost', ghost)];
  if (view === 'front') return shown;
  for (const { outline, deepest, at: place } of daylightOf(wrong, right)) {
    const from: Point = at.wrong(place);
    const to: Point = at.wrong([aside, place[1]]);
    shown.push(
      area('daylight', outline.map(at.wrong)),
      line('dimension', from, to),
      // Two short lines, for the room beside the wood is narrow.
      ...['daylight', formatLength(deepest, unit)].map((text, i): Label => ({
        kind: 'label',
        role: 'dimension',
        at: [to[0] + Math.sign(aside), to[1] + (i === 0 ? -0.4 : 0.95) * lineHeight],
        anchor: aside < 0 ? 'end' : 'start',
        text,
      })),
    );
  }
  return shown;
}
