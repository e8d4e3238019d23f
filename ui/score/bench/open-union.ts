import type { Method } from '@/core/methods/method';
import { type BenchSeat, type BenchState, type BenchUnion, counting, type UnseenUnion, unionsOf } from './bench-data';
import { type Entry, newEntry } from './entry';
import { type ReadUnion, readUnion } from './read-union';
import type { Draft } from './use-drafts';

/** The union that is being scored at a seat: its number, what is entered of it, and what that comes to. */
export interface OpenUnion {
  seat: BenchSeat;
  /** Unions of the seat that were scored, by number. */
  own: BenchUnion[];
  /** Those that wait for their second assessor. */
  unseen: UnseenUnion[];
  draft: Draft | undefined;
  entry: Entry;
  number: number;
  /** "7-4". */
  called: string;
  read: ReadUnion;
  /** What it is compared with: the union that is corrected, or the one before. */
  compared: BenchUnion | null;
}

/** What is open at a seat: the draft that was left there, or the next union with what carries over from the last. */
export function openUnion(
  state: Pick<BenchState, 'seats' | 'unions' | 'unseen' | 'rule' | 'unit' | 'stockRanges'>,
  method: Method,
  seatId: string,
  drafts: Readonly<Record<string, Draft>>,
): OpenUnion {
  const { seats, rule, unit } = state;
  const seat = seats.find(({ id }) => id === seatId) ?? seats[0]!;
  const own = unionsOf(state, seat.id);
  const last = own.at(-1) ?? null;
  const left = drafts[seat.id];
  // A browser that dies may forget that an entry was saved and taken off the screen: what is known by its id already is no draft any more.
  const isSaved = own.some(({ judgements }) => judgements.some(({ id }) => id === left?.judgementId));
  const draft = isSaved ? undefined : left;
  const entry = draft?.entry ?? newEntry(method, last ? counting(last).measures : null, unit);
  const unseen = state.unseen.filter((union) => union.seatId === seat.id);
  const highest = Math.max(0, ...[...own, ...unseen].map((union) => union.number));
  const number = draft?.correcting ?? draft?.second ?? highest + 1;
  return {
    seat,
    own,
    unseen,
    draft,
    entry,
    number,
    called: `${seat.number}-${number}`,
    read: readUnion(method, rule, entry, 'joined', unit, state.stockRanges),
    compared: draft?.correcting ? (own.find((union) => union.number === draft.correcting) ?? null) : last,
  };
}
