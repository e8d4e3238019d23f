import type { DisplayList } from '../../drawing/display-list';
import type { GlyphOf } from '../../drawing/union-glyph';
import type { FaultShown } from '../../teach/fault-shown';
import type { ToTrain } from './what-to-train';

/** A union as a card shows it. */
export interface CardUnion {
  number: number;
  score: number | null;
  contact: number;
  words: string;
  fatal: boolean;
  glyph: GlyphOf;
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
  train: (ToTrain & { shown: FaultShown | null })[];
  keepers: { code: string; variety: string; stock: string }[];
  /** When to look at what goes home, and for what. */
  looks: { from: string; to: string; lookFor: string }[];
  /** What is done in the first weeks. */
  tasks: { name: string; from: string; to: string; missed: string | null }[];
}
