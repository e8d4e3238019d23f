import type { Position } from '@/core/methods/position';

export interface Wood {
  id: string;
  variety: string;
  ribbon: string;
}

export interface Stock {
  id: string;
  stockType: string;
}

export interface SeatChoice {
  id: string;
  number: number;
  name: string;
}

/** A method keepers are made by: what is promised to each, what Quantities has each make of it, and who is not ready for it. */
export interface KeeperMethod {
  id: string;
  name: string;
  /** Null for a method the plan promises no keepers of. */
  promised: number | null;
  make: number | null;
  notReady: SeatChoice[];
  /** Where it can sit beside another union on a plant. */
  positions: { id: Position; words: string }[];
  /** Ways it can live on by its season; none where there is one only. */
  variants: { id: string; words: string }[];
}

/** A union of a keeper as its tag tells it. */
export interface UnionLine {
  unionId: string;
  method: string;
  /** "Chip bud in late summer". */
  made: string;
  place: string;
  /** What was judged of it, in words; empty while nobody did. */
  judged: string;
  madeOn: string;
  helped: boolean;
}

/** A keeper: a plant with its tag, and the unions on it. */
export interface KeeperLine {
  id: string;
  code: string;
  voided: boolean;
  woodLotId: string;
  stockLotId: string;
  seatId: string;
  unions: UnionLine[];
}
