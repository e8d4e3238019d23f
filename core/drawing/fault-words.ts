import { formatLength, type LengthUnit } from '../units/length';
import { type Daylight, daylightOf, exaggeration } from './daylight';
import { type Label, line, type Path, type Point } from './display-list';
import type { Piece, Workpieces } from './workpieces';

/** Less than this is no fault one sees: mm, and degrees. */
const SEEN = 0.3;
const LEANS = 1;

/** A fault of a piece in figures, and the height on the piece where it shows. */
export interface FaultWords {
  on: 'stock' | 'scion';
  /** Two short lines, for the room beside the wood is narrow. */
  lines: readonly [string, string];
  y: number;
}

/**
 * What is wrong with pieces, measured against the same pieces gone right: the daylight of a cut, how far a piece is off
 * its place, how it leans, what is too thin, too short or left bare.
 */
export function faultWords(wrong: Workpieces, right: Workpieces, unit: LengthUnit): FaultWords[] {
  const length = (mm: number): string => formatLength(mm, unit);
  const ofPieces = (['stock', 'scion'] as const).flatMap((on): FaultWords[] => {
    const text = pieceFault(wrong[on], right[on], wrong.joined && right.joined, length);
    return text === null ? [] : [{ on, ...text }];
  });
  return ofPieces.length > 0 ? ofPieces : coverFault(wrong, right, length);
}

function pieceFault(
  bad: Piece,
  good: Piece,
  joined: boolean,
  length: (mm: number) => string,
): Omit<FaultWords, 'on'> | null {
  const middle = (bad.foot + bad.top) / 2;
  const over = (piece: Piece): boolean => piece.buds.some(({ upsideDown }) => upsideDown);
  if (over(bad) !== over(good)) return { lines: ['upside', 'down'], y: middle };
  const [worst] = daylightOf(bad, good).sort((a, b) => b.deepest - a.deepest);
  if (bad.diameter < good.diameter - SEEN)
    return { lines: [length(good.diameter - bad.diameter), 'too thin'], y: middle };
  if (worst && worst.deepest > SEEN) return daylightWords(worst, length);
  if (joined) {
    const leans = Math.abs(bad.pose.lean - good.pose.lean);
    // By its foot: a piece that leans on its foot is not off its place for that.
    const off = Math.hypot(...placeOf(bad).map((at, i) => at - placeOf(good)[i]!));
    if (leans > LEANS && off > SEEN)
      return { lines: [`${length(off)} off,`, `leans ${Math.round(leans)}°`], y: bad.top - (bad.top - bad.foot) / 4 };
    if (leans > LEANS) return { lines: ['leans', `${Math.round(leans)}°`], y: bad.top - (bad.top - bad.foot) / 4 };
    if (off > SEEN) return { lines: [length(off), 'off its place'], y: middle };
  }
  if (bad.buds.length < good.buds.length) return { lines: ['bud core', 'torn out'], y: good.buds[0]!.y };
  const [cutBad, cutGood] = [cutLength(bad), cutLength(good)];
  if (cutBad > 0 && Math.abs(cutBad - cutGood) > SEEN)
    return { lines: [length(Math.abs(cutBad - cutGood)), cutBad < cutGood ? 'too short' : 'too long'], y: middle };
  return null;
}

/** Where a piece's foot lies in its union, mm. */
function placeOf({ foot, pose: { u, w, y, lean } }: Piece): [number, number, number] {
  const turn = (lean * Math.PI) / 180;
  return [u + foot * Math.sin(turn), w, y + foot * Math.cos(turn)];
}

function daylightWords({ deepest, at }: Daylight, length: (mm: number) => string): Omit<FaultWords, 'on'> {
  const times = exaggeration(deepest);
  const deep = length(deepest);
  return { lines: ['daylight', times > 1 ? `${deep}, drawn ${times} times as deep` : deep], y: at[1] };
}

/** Length of a piece's longest cut along its axis, mm; of a split or an opening where nothing was cut off. */
function cutLength({ cuts, gaps, bared }: Piece): number {
  const stretch = (heights: number[]): number => (heights.length > 0 ? Math.max(...heights) - Math.min(...heights) : 0);
  return Math.max(
    ...Object.values(cuts).map((corners) => stretch(corners.map(([y]) => y))),
    ...gaps.map((gap) => stretch(gap.map(([, y]) => y))),
    ...bared.map(({ from, to }) => to - from),
    0,
  );
}

/** What a wrap, film or seal leaves bare, mm. */
function coverFault(wrong: Workpieces, right: Workpieces, length: (mm: number) => string): FaultWords[] {
  return right.covers.flatMap((good, i): FaultWords[] => {
    const bad = wrong.covers[i];
    const bare = bad && bad.kind === good.kind ? good.to - good.from - (bad.to - bad.from) : good.to - good.from;
    if (good.kind === 'tag' && !bad) return [{ on: good.on, lines: ['no', 'label'], y: good.to }];
    if (bare < SEEN || good.kind === 'tag' || good.kind === 'driver') return [];
    return [{ on: good.on, lines: [length(bare), 'left bare'], y: bad ? (good.from + good.to) / 2 : good.from }];
  });
}

/** Room that words of faults take beside the pieces, mm. */
export const roomForFaults = (lineHeight: number): number => 3 + 5.5 * lineHeight;

/**
 * Words of faults beside the pieces, each with a line to its place.
 *
 * @param place where a height on a piece's axis is in the picture, mm.
 * @param reach how far to the left and right of that the words stand, mm; those of a stock that stands apart on the left.
 */
export function paintFaultWords(
  words: readonly FaultWords[],
  place: (on: FaultWords['on'], y: number) => Point,
  reach: (on: FaultWords['on']) => number,
  lineHeight: number,
): (Path | Label)[] {
  let lowest: Record<FaultWords['on'], number> = { stock: -Infinity, scion: -Infinity };
  return words.flatMap(({ on, lines, y }) => {
    const from = place(on, y);
    const aside = reach(on);
    const top = Math.max(from[1], lowest[on] + 2.6 * lineHeight);
    lowest = { ...lowest, [on]: top };
    const to: Point = [from[0] + aside, top];
    return [
      line('dimension', from, to),
      ...lines.map((text, i): Label => ({
        kind: 'label',
        role: 'dimension',
        at: [to[0] + Math.sign(aside), to[1] + (i === 0 ? -0.4 : 0.95) * lineHeight],
        anchor: aside < 0 ? 'end' : 'start',
        text,
      })),
    ];
  });
}
