import { formatLength, type LengthUnit } from '../units/length';
import { arrowHead } from './arrow-head';
import { budOutline } from './bud-outline';
import { area, type DisplayList, type Label, line, type Path, type Point } from './display-list';
import { LINE_SHARE, scaleBar, type ShownOn } from './scale-bar';

/** A wrap as it is taught: what is wrapped and with what; lengths mm, overlap and stretch as shares. */
export interface TaughtWrap {
  diameter: number;
  width: number;
  overlap: number;
  stretch: number;
  layers: number;
  /** What becomes of a bud within the wrap; null where none is. */
  bud: 'clear' | 'covered' | null;
}

/** A moment of wrapping, right or wrong, with what is to be seen. */
export interface WrapPicture {
  id: string;
  caption: string;
  drawing: DisplayList;
  wrong: boolean;
}

/** These pictures are smaller than those of steps: a line of words takes so many times the share. */
const SMALL = 1.3;
/** Turns of a picture. */
const TURNS = 5;
/** How thick tape lies, and how far a loose wrap stands off, mm. */
const THICK = 0.4;
const LOOSE = 2;

/** A picture under way: across to the right and upwards from the foot of the wrapped stretch, mm. */
interface Sheet {
  wrap: TaughtWrap;
  unit: LengthUnit;
  radius: number;
  pitch: number;
  tall: number;
  lineHeight: number;
  at: (x: number, y: number) => Point;
}

/**
 * A wrap turn by turn, to scale: how it is begun, how turns lie on one another, what becomes of the bud, how it ends;
 * and its faults.
 *
 * @example wrapLesson({ diameter: 10, width: 12, overlap: 0.5, stretch: 0.5, layers: 1, bud: null }, 'mm').length // 7
 */
export function wrapLesson(wrap: TaughtWrap, unit: LengthUnit, shownOn: ShownOn = 'screen'): WrapPicture[] {
  const length = (mm: number): string => formatLength(mm, unit);
  const pitch = wrap.width * (1 - wrap.overlap);
  const pulled = wrap.stretch > 0 ? `, pulled to ${1 + wrap.stretch} times its length` : ', pulled tight and flat';
  const picture = (id: string, caption: string, paint: (sheet: Sheet) => (Path | Label)[], wrong = false) => ({
    id,
    caption,
    drawing: sheetOf(wrap, unit, LINE_SHARE[shownOn] * SMALL, paint),
    wrong,
  });
  const open = wrap.width * 0.4;
  return [
    picture('start', 'Begin on sound bark below the cut; the tail lies upward under the first turns.', begun),
    picture(
      'overlap',
      `Upwards, each turn over the one below: ${length(wrap.width)} wide, it rises ${length(pitch)} a turn${pulled}.`,
      overlapped,
    ),
    ...(wrap.bud === null ? [] : [picture('bud', BUD[wrap.bud], wrap.bud === 'clear' ? budClear : budCovered)]),
    picture(
      'finish',
      wrap.layers > 1
        ? 'Past the cut, then back down over it, and the end under the last turn.'
        : 'Past the upper end of the cut; the end goes under the last turn and is pulled tight.',
      finished,
    ),
    picture('corded', 'Rolled into a cord: it cuts in, and lets the air between its turns.', corded, true),
    picture('gap', `A gap of ${length(open)} between turns: it dries there.`, (sheet) => gapped(sheet, open), true),
    picture('loose', 'Loose: it can be turned by hand, and the faces come apart.', loose, true),
    picture('from-above', 'Begun at the top: edges look up, and rain runs in.', fromAbove, true),
    ...(wrap.bud === 'clear'
      ? [picture('bud-bound', 'Bound over the bud: it bends back and breaks.', budBound, true)]
      : []),
  ];
}

const BUD: Record<'clear' | 'covered', string> = {
  clear: 'Close below and above the bud, which stands clear.',
  covered: 'One flat layer over the bud as well.',
};

function sheetOf(
  wrap: TaughtWrap,
  unit: LengthUnit,
  share: number,
  paint: (sheet: Sheet) => (Path | Label)[],
): DisplayList {
  const pitch = wrap.width * (1 - wrap.overlap);
  const radius = wrap.diameter / 2;
  const tall = TURNS * pitch + wrap.width + 8;
  const height = tall / (1 - 2.9 * share);
  const lineHeight = height * share;
  const margin = 6 + 5.2 * lineHeight;
  const width = wrap.diameter + 2 * margin;
  const at = (x: number, y: number): Point => [margin + radius + x, 0.5 * lineHeight + tall - y];
  const sheet: Sheet = { wrap, unit, radius, pitch, tall, lineHeight, at };
  const shoot: Path[] = [
    area('bark', [at(-radius, 0), at(radius, 0), at(radius, tall), at(-radius, tall)]),
    // The cut that has to be covered.
    line('knife-cut', at(-radius, tall * 0.22), at(radius, tall * 0.78)),
  ];
  return {
    width,
    height,
    items: [...shoot, ...paint(sheet), ...scaleBar([width / 2 - 5, height - 1.35 * lineHeight], unit, lineHeight)],
    anchors: [],
  };
}

/** The side of one turn that is seen, from its lower left corner up. */
function turn({ wrap, radius, pitch, at }: Sheet, y: number, wide = wrap.width, off = THICK): Path {
  const rise = pitch / 2;
  const r = radius + off;
  return area('wrap', [at(-r, y), at(r, y + rise), at(r, y + rise + wide), at(-r, y + wide)]);
}

const first = 3;
const heights = ({ pitch }: Sheet, count: number): number[] =>
  Array.from({ length: count }, (_, i) => first + i * pitch);
const turns = (sheet: Sheet, count: number): Path[] => heights(sheet, count).map((y) => turn(sheet, y));

/** An arrow beside the wood that says which way one goes. */
function way({ radius, tall, at }: Sheet, upwards: boolean): Path[] {
  const [low, high] = [at(radius + 4, tall * 0.35), at(radius + 4, tall * 0.7)];
  const [from, to] = upwards ? [low, high] : [high, low];
  return [line('knife', from, to), arrowHead(from, to)];
}

function begun(sheet: Sheet): Path[] {
  const { at, radius, wrap, pitch } = sheet;
  const half = Math.min(radius * 0.5, wrap.width * 0.2);
  const end = first + pitch + wrap.width + 6;
  const tail = area('wrap', [at(-half, first), at(half, first), at(half, end), at(-half, end)]);
  return [tail, ...turns(sheet, 2), ...way(sheet, true)];
}

function overlapped(sheet: Sheet): (Path | Label)[] {
  const { at, radius, pitch, wrap, unit, lineHeight } = sheet;
  const [low, high] = [first + 2 * pitch, first + 3 * pitch];
  const x = -radius - 3;
  return [
    ...turns(sheet, 4),
    ...way(sheet, true),
    line('dimension', at(x, low), at(x, high)),
    line('dimension', at(x - 1, low), at(-radius, low)),
    line('dimension', at(x - 1, high), at(-radius, high)),
    ...[formatLength(pitch, unit), `${Math.round(wrap.overlap * 100)} % over`].map((text, i): Label => ({
      kind: 'label',
      role: 'dimension',
      at: [at(x - 1.4, 0)[0], at(0, (low + high) / 2)[1] + (i === 0 ? -0.2 : 1) * lineHeight],
      anchor: 'end',
      text,
    })),
  ];
}

/** Where the bud of a picture sits, by height. */
const budAt = ({ tall }: Sheet): number => tall * 0.5;

function bud(sheet: Sheet): Path {
  const size = Math.min(1.6, sheet.radius / 4);
  return area(
    'bud',
    budOutline([0, budAt(sheet)], 0, { size }).map(([x, y]) => sheet.at(x, y)),
  );
}

function budClear(sheet: Sheet): Path[] {
  const { pitch, wrap } = sheet;
  const y = budAt(sheet);
  const below = y - 3 - wrap.width - pitch / 2;
  return [
    ...[below - pitch, below].filter((at) => at > 0.5).map((at) => turn(sheet, at)),
    turn(sheet, y + 4.5),
    bud(sheet),
  ];
}

function budCovered(sheet: Sheet): Path[] {
  const { at, radius, pitch, wrap } = sheet;
  const y = budAt(sheet) - wrap.width / 2 - pitch / 4;
  const rise = pitch / 2;
  const outline = [
    at(-radius, y),
    at(radius, y + rise),
    at(radius, y + rise + wrap.width),
    at(-radius, y + wrap.width),
  ];
  return [
    ...[y - 2 * pitch, y - pitch].filter((low) => low > 0.5).map((low) => turn(sheet, low)),
    bud(sheet),
    { kind: 'path', role: 'film', points: outline, closed: true, fill: false },
  ];
}

function finished(sheet: Sheet): Path[] {
  const { at, radius, pitch, wrap } = sheet;
  const last = first + 4 * pitch;
  const y = last + wrap.width * 0.55;
  const [from, to] = [at(radius * 0.2, y), at(radius + 6, y + 3)];
  return [...turns(sheet, 5), line('wrap', at(-radius * 0.4, last + wrap.width * 0.3), from, to), arrowHead(from, to)];
}

function corded(sheet: Sheet): Path[] {
  const cord = sheet.wrap.width * 0.18;
  return heights(sheet, 5).map((y) => turn(sheet, y, cord, THICK * 2));
}

function gapped(sheet: Sheet, open: number): Path[] {
  const { wrap, at, radius, pitch, tall } = sheet;
  const lows = [0, 1, 2].map((i) => first + i * (wrap.width + open)).filter((y) => y + wrap.width < tall);
  return lows.flatMap((y, i): Path[] => [
    ...(i > 0
      ? [
          area('daylight', [
            at(-radius, y - open),
            at(radius, y - open + pitch / 2),
            at(radius, y + pitch / 2),
            at(-radius, y),
          ]),
        ]
      : []),
    turn(sheet, y),
  ]);
}

function loose(sheet: Sheet): Path[] {
  const { at, radius, pitch, wrap } = sheet;
  const top = first + 3 * pitch + wrap.width;
  const strip = (side: 1 | -1): Path =>
    area('daylight', [
      at(side * radius, first + 1),
      at(side * (radius + LOOSE), first + 1),
      at(side * (radius + LOOSE), top),
      at(side * radius, top),
    ]);
  return [...heights(sheet, 4).map((y) => turn(sheet, y, wrap.width, LOOSE)), strip(1), strip(-1)];
}

function fromAbove(sheet: Sheet): Path[] {
  // The lower turn lies on the upper one.
  return [...turns(sheet, 4).reverse(), ...way(sheet, false)];
}

function budBound(sheet: Sheet): Path[] {
  const { pitch } = sheet;
  const y = budAt(sheet);
  const lows = heights(sheet, 5);
  const over = lows.filter((low) => low < y).length;
  return [...lows.map((low) => turn(sheet, low)), bud(sheet), turn(sheet, lows[Math.max(0, over - 1)]! + pitch / 4)];
}
