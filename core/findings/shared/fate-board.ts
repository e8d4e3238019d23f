import type { DeathView } from '../causes/death-view';
import type { Room } from '../../plan/benches/room';
import type { Rows } from '../../aftercare/places/place';

/** A keeper as one mark on a drawing. */
export interface FateMark {
  unionId: string;
  called: string;
  href: string;
  state: 'alive' | 'dead' | 'unknown';
  workshopId: string;
  seatId: string;
  seatNumber: number;
  madeOn: string;
  /** The hour it was first judged on the day it was made, at its site; null where nobody judged it then. */
  hour: number | null;
  placeId: string | null;
  /** Row and place in a bed; null where nobody said. */
  row: number | null;
  position: number | null;
  /** What it shares with others that stands out, by key (levelKey). */
  levels: string[];
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
  placeId: string;
  name: string;
  rows: Rows | null;
}

/** A death on the board: its questions the guide asks for itself. */
export type DeathOnBoard = Omit<DeathView, 'ask'> & { mayAsk: boolean };

/** Why unions died: of a workshop, or of the club over the years. */
export interface FateBoard {
  marks: FateMark[];
  shared: SharedView[];
  /** How many groups were looked at. */
  looked: number;
  deaths: DeathOnBoard[];
  room: Room | null;
  beds: FateBed[];
  workshops: { id: string; title: string; date: string }[];
  /** Causes to choose from, with their words. */
  causes: { cause: string; words: string }[];
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
  deaths: readonly Pick<DeathView, 'settled' | 'verdict'>[],
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
