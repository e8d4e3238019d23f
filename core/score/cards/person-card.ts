import type { DisplayList } from '../../drawing/display-list';
import type { DueWindow } from '../../methods/timetable/due-window';
import type { GlyphOf } from '../../drawing/union-glyph';
import type { FaultShown } from '../../teach/fault-shown';
import type { ToTrain } from './what-to-train';

/** A union as a card shows it. */
export interface CardUnion {
  number: number;
  /** The method it was joined by, where the day has several; else empty. */
  method: string;
  score: number | null;
  contact: number;
  words: string;
  fatal: boolean;
  glyph: GlyphOf;
}

/** A keeper as a card names it; unjudged it has no score and is not taken for good. */
export interface CardKeeper {
  code: string;
  variety: string;
  stock: string;
  /** Where on its plant it sits, where that has several; else empty. */
  place: string;
  method: string;
  judged: CardUnion | null;
}

/** One page for one person at the end of a day. */
export interface PersonCard {
  name: string;
  seat: number;
  clubName: string;
  workshop: string;
  date: string;
  method: string;
  ready: boolean;
  unions: CardUnion[];
  /** First and last, to one scale; the last is null while there is one only. */
  first: { union: CardUnion; side: DisplayList; lines: DisplayList } | null;
  last: { union: CardUnion; side: DisplayList; lines: DisplayList } | null;
  /** What to train, each with the step it comes from where a step draws it. */
  train: (Omit<ToTrain, 'how'> & { how: string; shown: FaultShown | null })[];
  keepers: CardKeeper[];
  /** When to look at what goes home, and for what. */
  looks: { from: string; to: string; lookFor: string; method: string }[];
  /** What is to be done with it: on days, or where those cannot be known, when the plant shows it (`when`). */
  tasks: { name: string; due: DueWindow | null; when: string; missed: string | null; method: string }[];
}
