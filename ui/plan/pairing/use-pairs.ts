'use client';

import { useMemo, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { Place } from '@/core/methods/use';
import type { SkillLevel } from '@/core/plan/pairing/hand';
import type { Pair, PairScion, PairStock } from '@/core/plan/pairing/pair-up';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { useSend } from '@/ui/kit/form/use-send';
import { type PairingOutcome, usePairing } from './use-pairing';

export interface SavedPair {
  stock: string;
  stick: string;
  piece: number;
  seat: string;
  contact: number;
  fixed: boolean;
  method: string;
}

export interface Numbered {
  id: string;
  number: number;
  caliper: number;
}

export interface PairingBoardProps {
  workshopId: string;
  version: number;
  method: string;
  /** Names of the methods, by id. */
  names: Record<string, string>;
  place: Place;
  stocks: (PairStock & { number: number })[];
  sticks: Numbered[];
  /** Pieces that the sticks give. */
  scions: (PairScion & { stick: string; piece: number })[];
  seats: { id: string; name: string; skill: SkillLevel; earlier: number }[];
  saved: { pairs: SavedPair[]; inOrder: number } | null;
  unit: LengthUnit;
  mayChange: boolean;
}

/** What is paired on the board, as it was saved, worked out anew or chosen by hand. */
export function usePairs(board: PairingBoardProps) {
  const { workshopId, version, method, names, place, stocks, sticks, scions, saved, unit, mayChange } = board;
  const { run, busy, refreshing, problem } = useSend();
  const { start, progress, outcome, failed } = usePairing();
  const [changeId, setChangeId] = useState(() => uuid());
  const [fixed, setFixed] = useState(() => fixedOf(saved));
  const { stockOf, scionOf, stickOf, seatOf } = useLookups(board);
  const largest = Math.max(8, ...stocks.map(({ caliper }) => caliper), ...sticks.map(({ caliper }) => caliper)) + 1;
  const length = (mm: number): string => formatLengthNumber(mm, unit);

  const pairs = pairsShown(board, outcome, { stockOf, scionOf, seatOf });
  const aside = (outcome?.result.aside ?? []).filter(({ stock }) => !pairs.some((pair) => pair.stock === stock));
  const order = outcome?.result.inOrder.sum ?? saved?.inOrder ?? null;

  const pair = (withFixed = fixed): void =>
    start({
      method,
      place,
      fixed: withFixed,
      stocks: stocks.map(({ id, caliper, seat, skill }) => ({ id, caliper, seat, skill })),
      scions: scions.map(({ id, caliper }) => ({ id, caliper })),
    });
  const fix = (stock: string, seat: string, scion: string | null): void => {
    const others = fixed.filter((pair) => pair.stock !== stock && pair.scion !== scion);
    const next = scion === null ? others : [...others, { stock, scion, seat }];
    setFixed(next);
    pair(next);
  };
  const save = async (): Promise<void> => {
    const sent = await run('PUT', `/api/workshops/${workshopId}/plan/pairs`, {
      changeId,
      version,
      method,
      inOrder: order ?? 0,
      pairs: pairs.map((made) => sentPair(made, scionOf.get(made.scion)!)),
    });
    if (sent) setChangeId(uuid());
  };
  return {
    method,
    names,
    stocks,
    sticks,
    scions,
    unit,
    mayChange,
    busy,
    // The board is made anew of what was saved: a choice made in between would go with the old one.
    still: busy || refreshing,
    problem,
    progress,
    outcome,
    failed,
    fixed,
    stockOf,
    scionOf,
    stickOf,
    seatOf,
    largest,
    length,
    pairs,
    aside,
    sum: pairs.reduce((all, { contact }) => all + contact, 0),
    order,
    pair,
    fix,
    save,
    missing: whatIsMissing(board),
  };
}

export type PairsOnBoard = ReturnType<typeof usePairs>;

/** A pair with the method it is made by. */
export type ShownPair = Pair & { method: string };

/** The pairs in the order of seats and stocks. */
function pairsShown(
  { method, saved, seats }: PairingBoardProps,
  outcome: PairingOutcome | null,
  { stockOf, scionOf, seatOf }: Pick<ReturnType<typeof useLookups>, 'stockOf' | 'scionOf' | 'seatOf'>,
): ShownPair[] {
  const made: ShownPair[] = outcome
    ? [
        ...outcome.result.pairs.map((pair) => ({ ...pair, method })),
        ...outcome.instead.map((exchange) => ({
          stock: exchange.stock,
          scion: exchange.scion,
          seat: stockOf.get(exchange.stock)!.seat,
          contact: exchange.contact,
          fixed: false,
          method: exchange.method,
        })),
      ]
    : (saved?.pairs ?? []).map(({ stick, piece, ...pair }) => ({ ...pair, scion: `${stick}/${piece}` }));
  // A piece that was removed meanwhile takes its pair with it.
  return made
    .filter(({ stock, scion, seat }) => stockOf.has(stock) && scionOf.has(scion) && seatOf.has(seat))
    .sort(
      (a, b) =>
        seats.findIndex(({ id }) => id === a.seat) - seats.findIndex(({ id }) => id === b.seat) ||
        stockOf.get(a.stock)!.number - stockOf.get(b.stock)!.number,
    );
}

/** What has to be there before anything is paired. */
function whatIsMissing({ stocks, scions, seats }: PairingBoardProps): string | null {
  return stocks.length === 0
    ? 'Measure stocks first.'
    : scions.length === 0
      ? 'Measure sticks first.'
      : seats.length === 0
        ? 'Nobody has a seat: add people to the roster first.'
        : null;
}

/** Pairs that were fixed by hand when they were saved. */
function fixedOf(saved: PairingBoardProps['saved']): { stock: string; scion: string; seat: string }[] {
  return (saved?.pairs ?? [])
    .filter((pair) => pair.fixed)
    .map(({ stock, stick, piece, seat }) => ({ stock, scion: `${stick}/${piece}`, seat }));
}

/** What is on the board, by its id. */
function useLookups({ stocks, scions, sticks, seats }: PairingBoardProps) {
  const stockOf = useMemo(() => new Map(stocks.map((stock) => [stock.id, stock])), [stocks]);
  const scionOf = useMemo(() => new Map(scions.map((scion) => [scion.id, scion])), [scions]);
  const stickOf = useMemo(() => new Map(sticks.map((stick) => [stick.id, stick])), [sticks]);
  const seatOf = useMemo(() => new Map(seats.map((seat) => [seat.id, seat])), [seats]);
  return { stockOf, scionOf, stickOf, seatOf };
}

/** A pair as the server keeps it. */
function sentPair(
  { stock, seat, contact, fixed, method }: ShownPair,
  { stick, piece }: PairingBoardProps['scions'][number],
): object {
  return { stock, stick, piece, seat, contact, fixed: String(fixed), method };
}
