import type { Room } from '@/core/plan/benches/room';
import type { GlyphOf } from '@/core/drawing/union-glyph';
import type { StockRange } from '@/core/methods/stock-ranges';
import type { Measures } from '@/core/methods/measures';
import type { Attempt, ReadyRule } from '@/core/score/readiness/ready-rule';
import type { Marks, ScoringRule } from '@/core/score/rubric/judge-union';
import type { LengthUnit } from '@/core/units/length';

/** What the bench is given by its page or keeps on the device; plain values. */
export interface BenchSeat {
  id: string;
  number: number;
  name: string;
  /** Has acknowledged the safety briefing as it stands now. */
  briefed: boolean;
}

export interface BenchJudgement {
  id: string;
  assessorId: string;
  assessor: string;
  score: number | null;
  contact: number;
  contactWords: string;
  measures: Measures;
  marks: Marks;
  note: string;
  /** Scored as second assessor, without having seen the first score. */
  blind: boolean;
  /** Scores of earlier values, latest first. */
  earlier: (number | null)[];
  attempt: Attempt;
  /** Still on this device only. */
  waits?: boolean;
}

export interface BenchUnion {
  id: string;
  seatId: string;
  number: number;
  /** Id of the judgement that counts. */
  counts: string;
  judgements: BenchJudgement[];
  likelyDouble: boolean;
  glyph: GlyphOf;
  /** When somebody last judged it, ms, by the server's clock. */
  seenAt: number;
}

/** A union that wants a second assessor, whose first score is not shown. */
export interface UnseenUnion {
  id: string;
  seatId: string;
  number: number;
}

export interface BenchState {
  workshop: { id: string; title: string; date: string; method: string };
  rule: ScoringRule;
  settings: { ready: ReadyRule; blindRate: number; wall: 'names' | 'seats' | 'totals' };
  unit: LengthUnit;
  assessor: { id: string; name: string };
  seats: BenchSeat[];
  unions: BenchUnion[];
  unseen: UnseenUnion[];
  room: Room;
  tags: { code: string; seatId: string }[];
  /** Stocks of all methods, to name another one when this one does not fit. */
  stockRanges: readonly StockRange[];
  /** The database's clock when this was read, ms. */
  takenAt: number;
}

/** What changed at a bench since it was read. */
export interface BenchChanges extends Pick<BenchState, 'assessor' | 'unions' | 'unseen' | 'takenAt'> {
  /** Unions that have nothing to show any more. */
  gone: string[];
}

/** A bench brought up to date. */
export function withChanges(
  state: BenchState,
  { unions, gone, unseen, takenAt }: Omit<BenchChanges, 'assessor'>,
): BenchState {
  if (unions.length === 0 && gone.length === 0 && unseen.length === 0 && state.unseen.length === 0)
    return { ...state, takenAt };
  const changed = new Map(unions.map((union) => [union.id, union]));
  const left = state.unions.filter(({ id }) => !gone.includes(id)).map((union) => changed.get(union.id) ?? union);
  const known = new Set(left.map(({ id }) => id));
  return { ...state, unions: [...left, ...unions.filter(({ id }) => !known.has(id))], unseen, takenAt };
}

/** The newer of what is known and what came: an answer that was overtaken on its way is old. */
export function latestOf(known: BenchState, came: BenchState): BenchState {
  return came.takenAt >= known.takenAt ? came : known;
}

export function scoreText(score: number | null): string {
  return score === null ? 'not scored' : String(Math.round(score));
}

/** The judgement of a union that counts. */
export function counting(union: BenchUnion): BenchJudgement {
  return union.judgements.find(({ id }) => id === union.counts) ?? union.judgements[0]!;
}

/** Unions by seat, sorted once for each state of the bench. */
const bySeat = new WeakMap<readonly BenchUnion[], Map<string, BenchUnion[]>>();

/** A person's unions in the order of their numbers. */
export function unionsOf({ unions }: Pick<BenchState, 'unions'>, seatId: string): BenchUnion[] {
  let seats = bySeat.get(unions);
  if (!seats) {
    seats = new Map();
    for (const union of [...unions].sort((a, b) => a.number - b.number))
      seats.set(union.seatId, [...(seats.get(union.seatId) ?? []), union]);
    bySeat.set(unions, seats);
  }
  return seats.get(seatId) ?? [];
}

export function attemptsOf(state: Pick<BenchState, 'unions'>, seatId: string): Attempt[] {
  return unionsOf(state, seatId).map((union) => counting(union).attempt);
}
