import type { Measures } from '@/core/methods/measures';
import type { Marks } from '@/core/scoring/judge-union';
import type { GlyphOf } from '@/core/drawing/union-glyph';

/** What the bench is given by its page; plain values. */
export interface BenchSeat {
  id: string;
  number: number;
  name: string;
  /** Has acknowledged the safety briefing as it stands now. */
  briefed: boolean;
}

export interface BenchJudgement {
  id: string;
  assessor: string;
  score: number | null;
  contact: number;
  contactWords: string;
  measures: Measures;
  marks: Marks;
  note: string;
  /** Scores of earlier values, latest first. */
  earlier: (number | null)[];
}

export interface BenchUnion {
  id: string;
  seatId: string;
  number: number;
  counts: BenchJudgement;
  judgements: BenchJudgement[];
  likelyDouble: boolean;
  glyph: GlyphOf;
}

export function scoreText(score: number | null): string {
  return score === null ? 'not scored' : String(Math.round(score));
}
