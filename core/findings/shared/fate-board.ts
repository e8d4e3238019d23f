import type { DeathLine } from '../causes/death-view';
import type { Room } from '../../plan/benches/room';
import type { Rows } from '../../aftercare/places/place';

/** A keeper as one mark on a drawing. */
export interface FateMark {
  called: string;
  href: string;
  state: 'alive' | 'dead' | 'unknown';
  /** Which of the board's workshops it was made in. */
  workshop: number;
  seatNumber: number;
  /** The hour it was first judged on the day it was made, at its site; null where nobody judged it then. */
  hour: number | null;
  /** Which of the board's beds it stands in; null for none of them. */
  bed: number | null;
  /** Row and place in it; null where nobody said. */
  row: number | null;
  position: number | null;
  /** Which of the board's shared levels it belongs to. */
  levels: number[];
}

/** A level that stands out, in words. */
export interface SharedView {
  key: string;
  kind: string;
  name: string;
  dead: number;
  all: number;
  deadBeside: number;
  allBeside: number;
  named: boolean;
  inseparable: string[];
  explainedBy: string | null;
  /** What its dead were found to have died of most often, in words; empty where that is not known. */
  mostly: string;
}

export interface FateBed {
  name: string;
  rows: Rows | null;
}

/** Why unions died: of a workshop, or of the club over the years. */
export interface FateBoard {
  marks: FateMark[];
  shared: SharedView[];
  /** How many groups were looked at. */
  looked: number;
  deaths: DeathLine[];
  /** The room of a single workshop, its seating by the numbers of seats. */
  room: Room | null;
  beds: FateBed[];
  workshops: { id: string; title: string; date: string }[];
  /** How many of the club's deaths are settled, and the power fitted from them; 1 until there are enough. */
  settled: number;
  power: number;
}

/** What kinds of levels are called. */
export const LEVEL_WORDS = {
  'wood-lot': 'lot of wood',
  'stock-lot': 'lot of stocks',
  grafter: 'hand',
  bench: 'bench or help',
  day: 'day or hour',
  place: 'place',
  material: 'material',
  pair: 'pair',
  tie: 'care',
} as const;

/** "9 of 31 that died were found to have: the tie strangled it": causes by how many died of them, settled ones first. */
export function causesCounted(
  deaths: readonly { settled: { words: string } | null; verdict: { words: string } | null }[],
): { words: string; count: number; settled: number }[] {
  const counts = new Map<string, { words: string; count: number; settled: number }>();
  for (const { settled, verdict } of deaths) {
    const words = settled ? settled.words : (verdict?.words ?? 'not known');
    const count = counts.get(words) ?? { words, count: 0, settled: 0 };
    counts.set(words, { words, count: count.count + 1, settled: count.settled + Number(settled !== null) });
  }
  const last = (words: string): number => Number(words === 'not known');
  return [...counts.values()].sort((a, b) => last(a.words) - last(b.words) || b.count - a.count);
}
