import { formatCode } from '@/core/codes/plant-code';
import type { Method, Stage } from '@/core/methods/method';
import { calledOnPlant } from '@/core/methods/position';
import { STAGES } from '@/core/score/rubric/judge-union';
import {
  type BenchKeeper,
  benchMethod,
  type BenchMethod,
  type BenchSeat,
  type BenchState,
  type BenchUnion,
  counting,
  judgedKeeper,
  type LoadedMethods,
  type UnseenUnion,
  unionsOf,
} from './bench-data';
import type { LengthUnit } from '@/core/units/length';
import { type Entry, entryOf, newEntry } from './entry';
import { type ReadUnion, readUnion } from './read-union';
import type { Draft } from './use-drafts';

/** What of a bench is opened: a seat with its next practice union, or one of its keepers. */
export interface Opened {
  seatId: string;
  keeperId: string | null;
  /** The method that was chosen last at the seat. */
  methodId: string | null;
  /** The stage at which keepers were judged last on this device. */
  keeperStage: Stage;
}

/** The union that is being scored: its number, what is entered of it, and what that comes to. */
export interface OpenUnion {
  seat: BenchSeat;
  /** The keeper that is judged; null for practice. */
  keeper: BenchKeeper | null;
  /** What the draft is kept under: the seat for practice, the union for a keeper. */
  draftKey: string;
  method: Method;
  methodHere: BenchMethod;
  /** Practice unions of the seat that were scored, by number. */
  own: BenchUnion[];
  /** Those that wait for their second assessor. */
  unseen: UnseenUnion[];
  draft: Draft | undefined;
  entry: Entry;
  stage: Stage;
  /** The stage a keeper was judged at already; null for practice and for one that nobody judged. */
  judgedAt: Stage | null;
  unit: LengthUnit;
  number: number;
  /** "7-4", or a keeper's code. */
  called: string;
  read: ReadUnion;
  /** What it is compared with: the union that is corrected, or the one before. */
  compared: BenchUnion | null;
}

type State = Pick<
  BenchState,
  'workshop' | 'methods' | 'seats' | 'unions' | 'unseen' | 'keepers' | 'unit' | 'stockRanges'
>;

/** What is open: the draft that was left there, or what comes next with what carries over from before. */
export function openUnion(
  state: State,
  loaded: LoadedMethods,
  { seatId, keeperId, methodId, keeperStage }: Opened,
  drafts: Readonly<Record<string, Draft>>,
): OpenUnion {
  const keeper = keeperId === null ? null : (state.keepers.find(({ unionId }) => unionId === keeperId) ?? null);
  const seat = state.seats.find(({ id }) => id === (keeper?.seatId ?? seatId)) ?? state.seats[0]!;
  const own = unionsOf(state, seat.id);
  const draftKey = keeper?.unionId ?? seat.id;
  const judged = keeper && judgedKeeper(state, keeper.unionId);
  const draft = liveDraft(drafts[draftKey], judged ? [judged] : own);
  const last = own.at(-1) ?? null;
  const wanted = keeper?.method ?? draft?.method ?? methodId ?? last?.method ?? state.workshop.method;
  const methodHere = benchMethod(state, wanted);
  const method = loaded.get(methodHere.id) ?? [...loaded.values()][0]!;
  const before = [...own].reverse().find((union) => union.method === method.id) ?? null;
  const unseen = keeper ? [] : state.unseen.filter((union) => union.seatId === seat.id);
  const entry =
    draft?.entry ??
    (judged
      ? laterEntry(method, judged, state)
      : newEntry(method, before ? counting(before).measures : null, state.unit, keeper ? keeperStage : 'joined'));
  const stage = entry.stage ?? 'joined';
  const highest = Math.max(0, ...[...own, ...unseen].map((union) => union.number));
  const number = keeper?.number ?? draft?.correcting ?? draft?.second ?? highest + 1;
  const corrected = draft?.correcting ? own.find((union) => union.number === draft.correcting) : undefined;
  return {
    seat,
    keeper,
    draftKey,
    method,
    methodHere,
    own,
    unseen,
    draft,
    entry,
    stage,
    judgedAt: judged?.stage ?? null,
    unit: state.unit,
    number,
    called: keeper ? calledOnPlant(formatCode(keeper.code), keeper.position) : `${seat.number}-${number}`,
    read: readUnion(method, methodHere.rule, entry, stage, state.unit, state.stockRanges),
    compared: judged ?? corrected ?? before,
  };
}

/** A browser that dies may forget that an entry was saved and taken off the screen: what is known by its id already is no draft any more. */
function liveDraft(left: Draft | undefined, known: readonly BenchUnion[]): Draft | undefined {
  return known.some(({ judgements }) => judgements.some(({ id }) => id === left?.judgementId)) ? undefined : left;
}

/** A keeper that was judged: at the stage that comes last, with the figures it has; one that has it already is corrected. */
function laterEntry(method: Method, judged: BenchUnion, { unit }: Pick<BenchState, 'unit'>): Entry {
  const before = counting(judged);
  const finished = before.stage === STAGES.at(-1);
  // A keeper of another method than it was judged by has figures of its own.
  if (before.method !== method.id) return newEntry(method, null, unit, STAGES.at(-1));
  return entryOf(method, { ...before, stage: STAGES.at(-1)! }, unit, finished ? before.id : null);
}

/** A seat's keepers by their numbers. */
export function keepersOf({ keepers }: Pick<BenchState, 'keepers'>, seatId: string): BenchKeeper[] {
  return keepers.filter((keeper) => keeper.seatId === seatId).sort((a, b) => a.number - b.number);
}
