import { arrowHead } from './arrow-head';
import { area, type Label, line, type Path, type Point } from './display-list';
import type { Place } from './piece-outline';
import type { Piece, Workpieces } from './workpieces';

/**
 * What a hand or an eye does at a step without a cut: which way buds point, a straight edge laid on, a shake, rubbing
 * along the bark, bark lifted to try it, a look along both sides, a written tag.
 */
export interface HandSign {
  sign: 'buds-point' | 'straight' | 'shake' | 'rub' | 'lift' | 'look' | 'tag' | 'drain';
  on: 'stock' | 'scion';
  /** Height on the piece where it is not the piece's middle or end, mm. */
  at?: number;
}

const WORDS: Record<HandSign['sign'], string> = {
  'buds-point': 'buds point up',
  straight: 'straight edge',
  shake: 'shake once',
  rub: 'along here',
  lift: 'try it here',
  look: 'look here',
  tag: 'written tag',
  drain: 'sap drains',
};

type Placer = (place: Place) => Point;

/** Room that signs and their words take beside the pieces, mm. */
export const roomForSigns = (lineHeight: number): number => 15 + 6.2 * lineHeight;

/** Signs over the pieces, each with its word. */
export function paintSigns(
  signs: readonly HandSign[],
  pieces: Workpieces,
  at: Record<HandSign['on'], Placer>,
  lineHeight: number,
): (Path | Label)[] {
  return signs.flatMap(({ sign, on, at: height }) => {
    // Apart, the stock stands on the left: its signs are on its far side.
    const aside = on === 'stock' && !pieces.joined ? -1 : 1;
    const { paths, word } = STROKES[sign](pieces[on], ([x, y]) => at[on]([aside * x, y]), height);
    const label: Label = {
      kind: 'label',
      role: 'name',
      at: [word[0] + aside * 0.4, word[1] + lineHeight / 3],
      anchor: aside < 0 ? 'end' : 'start',
      text: WORDS[sign],
    };
    return [...paths, label];
  });
}

interface Strokes {
  paths: Path[];
  /** Where its word begins. */
  word: Point;
}

const STROKES: Record<HandSign['sign'], (piece: Piece, at: Placer, height?: number) => Strokes> = {
  'buds-point': ({ diameter, foot, top }, at) => {
    const x = diameter / 2 + 4;
    const [low, high] = [at([x, foot + (top - foot) * 0.3]), at([x, foot + (top - foot) * 0.85])];
    return { paths: [line('knife', low, high), arrowHead(low, high)], word: at([x + 1.5, foot + (top - foot) * 0.55]) };
  },
  straight: ({ diameter, foot, top }, at) => {
    const x = diameter / 2 + 0.6;
    return {
      paths: [line('steel', at([x, foot + 3]), at([x, top - 3]))],
      word: at([x + 4.5, foot + (top - foot) * 0.2]),
    };
  },
  shake: ({ diameter, top, foot }, at, height = top - (top - foot) * 0.2) => {
    const arc = (side: 1 | -1): Path[] => {
      const reach = side * (diameter / 2 + 2);
      const points = [0, 0.25, 0.5, 0.75, 1].map((share) =>
        at([reach + side * 6 * share, height - 3.5 * share * share + 2]),
      );
      return [line('knife', ...points), arrowHead(points.at(-2)!, points.at(-1)!)];
    };
    return { paths: [...arc(1), ...arc(-1)], word: at([diameter / 2 + 10, height + 1]) };
  },
  rub: ({ diameter, foot, top }, at, height = (foot + top) / 2) => {
    const x = diameter / 2 + 3;
    const [low, high] = [at([x, height - 9]), at([x, height + 9])];
    return { paths: [line('knife', low, high), arrowHead(low, high), arrowHead(high, low)], word: at([x + 2, height]) };
  },
  lift: ({ diameter, foot, top }, at, height = top - (top - foot) * 0.15) => {
    const from = at([diameter / 2 + 9, height + 3]);
    const to = at([diameter / 2 + 0.4, height]);
    return { paths: [line('knife', from, to), arrowHead(from, to)], word: at([diameter / 2 + 10, height + 3]) };
  },
  look: ({ diameter, foot, top }, at, height = foot + (top - foot) * 0.2) => {
    const towards = (side: 1 | -1): Path[] => {
      const [from, to] = [at([side * (diameter / 2 + 9), height]), at([side * (diameter / 2 + 1), height])];
      return [line('knife', from, to), arrowHead(from, to)];
    };
    return { paths: [...towards(1), ...towards(-1)], word: at([diameter / 2 + 10, height]) };
  },
  tag: ({ diameter, foot, top }, at, height = foot + (top - foot) * 0.3) => {
    const x = diameter / 2;
    const corners: Place[] = [
      [x + 4, height],
      [x + 14, height],
      [x + 14, height - 6],
      [x + 4, height - 6],
    ];
    return {
      paths: [
        line('steel', at([-x, height + 2]), at([x, height + 2]), at([x + 4, height - 2])),
        area('tag', corners.map(at)),
        ...[1.6, 3, 4.4].map((down) => line('hatch', at([x + 5.5, height - down]), at([x + 12.5, height - down]))),
      ],
      word: at([x + 15, height - 3]),
    };
  },
  drain: ({ diameter, foot, top }, at, height = foot + (top - foot) * 0.15) => {
    const x = diameter / 2;
    const drop = (y: number): Path => line('knife', at([x + 1.5, y]), at([x + 2.5, y - 4]));
    return {
      paths: [line('knife-cut', at([x - 2, height + 2]), at([x + 0.5, height])), drop(height), drop(height - 6)],
      word: at([x + 4, height - 4]),
    };
  },
};
