import type { Room } from '@/core/plan/benches/room';
import { codeIn } from '@/core/plan/benches/find-seat';
import type { GlyphOf } from '@/core/drawing/union-glyph';
import type { StockRange } from '@/core/methods/stock-ranges';
import type { Measures } from '@/core/methods/measures';
import type { Method, Stage } from '@/core/methods/method';
import type { Position } from '@/core/methods/position';
import type { VariantId } from '@/core/methods/use';
import type { Attempt, ReadyRule } from '@/core/score/readiness/ready-rule';
import { isReady } from '@/core/score/readiness/ready-rule';
import type { Marks, ScoringRule } from '@/core/score/rubric/judge-union';
import type { Outlook, OutlookBy } from '@/core/score/rubric/outlook';
import type { LengthUnit } from '@/core/units/length';

/** What the bench is given by its page or keeps on the device; plain values. */
export interface BenchSeat {
  id: string;
  number: number;
  name: string;
  /** Has acknowledged the safety briefing as it stands now. */
  briefed: boolean;
}

/** A method that is judged by at this bench. */
export interface BenchMethod {
  id: string;
  name: string;
  /** Taught on the day, so that it is offered; others stand on unions alone. */
  planned: boolean;
  /** The plan gives everybody practice of it, which tells who is ready. */
  practised: boolean;
  variant: VariantId;
  rule: ScoringRule;
}

/** A keeper, judged or not: a union on a plant with its tag. */
export interface BenchKeeper {
  unionId: string;
  plantId: string;
  code: string;
  seatId: string;
  number: number;
  method: string;
  variant: VariantId;
  position: Position;
  variety: string;
  ribbon: string;
  stock: string;
}

export interface BenchJudgement {
  id: string;
  assessorId: string;
  assessor: string;
  method: string;
  stage: Stage;
  outlook: Outlook | null;
  outlookBy: OutlookBy | null;
  strokes: number | null;
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
  kind: 'practice' | 'keeper';
  /** The method and stage of the judgement that counts. */
  method: string;
  stage: Stage;
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
  /** What the first assessor took it for: two scores by two methods would say nothing of each other. */
  method: string;
}

/** A cut that spoiled its wood. */
export interface BenchSpoiled {
  id: string;
  seatId: string;
  method: string;
}

export interface BenchState {
  workshop: { id: string; title: string; date: string; method: string };
  methods: readonly BenchMethod[];
  settings: { ready: ReadyRule; blindRate: number; wall: 'names' | 'seats' | 'totals' };
  unit: LengthUnit;
  assessor: { id: string; name: string };
  seats: BenchSeat[];
  unions: BenchUnion[];
  unseen: UnseenUnion[];
  room: Room;
  keepers: readonly BenchKeeper[];
  /** Cuts that spoiled their wood, in the order they were counted; an earlier build kept none. */
  spoiled?: readonly BenchSpoiled[];
  /** Stocks of all methods, to name another one when this one does not fit. */
  stockRanges: readonly StockRange[];
  /** The database's clock when this was read, ms. */
  takenAt: number;
}

/** What changed at a bench since it was read. */
export interface BenchChanges extends Pick<BenchState, 'assessor' | 'unions' | 'unseen' | 'spoiled' | 'takenAt'> {
  /** Unions that have nothing to show any more. */
  gone: string[];
}

/** A bench brought up to date. */
export function withChanges(
  state: BenchState,
  { unions, gone, unseen, takenAt, spoiled = state.spoiled }: Omit<BenchChanges, 'assessor'>,
): BenchState {
  if (unions.length === 0 && gone.length === 0 && unseen.length === 0 && state.unseen.length === 0)
    return { ...state, spoiled, takenAt };
  const changed = new Map(unions.map((union) => [union.id, union]));
  const left = state.unions.filter(({ id }) => !gone.includes(id)).map((union) => changed.get(union.id) ?? union);
  const known = new Set(left.map(({ id }) => id));
  return { ...state, unions: [...left, ...unions.filter(({ id }) => !known.has(id))], unseen, spoiled, takenAt };
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

/** The methods of a bench, loaded. */
export type LoadedMethods = ReadonlyMap<string, Method>;

/** How a bench judges by a method; the workshop's own where a device knows of no other. */
export function benchMethod({ methods }: Pick<BenchState, 'methods'>, id: string): BenchMethod {
  return methods.find((method) => method.id === id) ?? methods[0]!;
}

/** A person's practice unions in the order of their numbers. */
export function unionsOf({ unions }: Pick<BenchState, 'unions'>, seatId: string): BenchUnion[] {
  let seats = bySeat.get(unions);
  if (!seats) {
    seats = new Map();
    for (const union of unions.filter(({ kind }) => kind === 'practice').sort((a, b) => a.number - b.number))
      seats.set(union.seatId, [...(seats.get(union.seatId) ?? []), union]);
    bySeat.set(unions, seats);
  }
  return seats.get(seatId) ?? [];
}

/** What was judged of a keeper, null while nobody did: then it is not taken for good. */
export function judgedKeeper({ unions }: Pick<BenchState, 'unions'>, unionId: string): BenchUnion | null {
  return unions.find(({ id, kind }) => kind === 'keeper' && id === unionId) ?? null;
}

/** Somebody's attempts at a method; all of their practice where no method is named. */
export function attemptsOf(state: Pick<BenchState, 'unions'>, seatId: string, method?: string): Attempt[] {
  const own = unionsOf(state, seatId);
  return own.filter((union) => method === undefined || union.method === method).map((union) => counting(union).attempt);
}

/** The methods people practise for: those of the plan that have practice; null for all practice taken together. */
export function practisedMethods({ methods }: Pick<BenchState, 'methods'>): (BenchMethod | null)[] {
  const practised = methods.filter(({ planned, practised }) => planned && practised);
  return practised.length > 0 ? practised : [null];
}

/** The methods somebody is ready for living wood by; null stands for all practice taken together. */
export function readyFor(
  state: Pick<BenchState, 'unions' | 'methods' | 'settings'>,
  seatId: string,
): (BenchMethod | null)[] {
  return practisedMethods(state).filter((method) =>
    isReady(attemptsOf(state, seatId, method?.id), state.settings.ready),
  );
}

/** Somebody's attempts at the first method of the day that they are not ready by; at the first of all once they are. */
export function attemptsToReady(state: Pick<BenchState, 'unions' | 'methods' | 'settings'>, seatId: string): Attempt[] {
  const ready = readyFor(state, seatId);
  const practised = practisedMethods(state);
  return attemptsOf(state, seatId, (practised.find((method) => !ready.includes(method)) ?? practised[0])?.id);
}

/** The keeper a code is of, typed or scanned; of several on the plant the first that nobody judged. */
export function keeperByCode(state: Pick<BenchState, 'keepers' | 'unions'>, text: string): BenchKeeper | null {
  const code = codeIn(text);
  const tagged = code === null ? [] : state.keepers.filter((keeper) => keeper.code === code);
  return tagged.find(({ unionId }) => !judgedKeeper(state, unionId)) ?? tagged[0] ?? null;
}
