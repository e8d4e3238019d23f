import type { OUR_GUESS, USUAL_PRACTICE } from '@/core/units/figure-source';

/** Kinds of source: the first two say our figures; the others are a club's own and stand at its site. */
export type Kind = typeof USUAL_PRACTICE | typeof OUR_GUESS;

export interface FigureRow {
  name: string;
  value: string;
  kind: Kind;
  /** How far the true figure may lie off, or what sets it. */
  margin: string;
}

export interface FigureSection {
  title: string;
  rows: FigureRow[];
}
