'use client';

import { percent } from '@/core/units/percent';
import { useMemo, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { methodById } from '@/core/methods/registry';
import type { Place } from '@/core/methods/use';
import { SKILL_WORDS, type SkillLevel, SLIP } from '@/core/plan/pairing/hand';
import type { PairingResult, PairScion, PairStock } from '@/core/plan/pairing/pair-up';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { PairPicture } from './pair-picture';
import { usePairing } from './use-pairing';
import type { Instead } from '@/workers/pairing';

export interface SavedPair {
  stock: string;
  stick: string;
  piece: number;
  seat: string;
  contact: number;
  fixed: boolean;
  method: string;
}
interface Numbered {
  id: string;
  number: number;
  caliper: number;
}

interface PairingBoardProps {
  workshopId: string;
  version: number;
  method: string;
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

/** Pairs sticks with stocks for the most contact there is to be had, beside what taking them as they lie would give. */
export function PairingBoard({
  workshopId,
  version,
  method,
  place,
  stocks,
  sticks,
  scions,
  seats,
  saved,
  unit,
  mayChange,
}: PairingBoardProps) {
  const { run, busy, problem } = useSend();
  const { start, progress, outcome, failed } = usePairing();
  const [changeId, setChangeId] = useState(() => uuid());
  const [fixed, setFixed] = useState<{ stock: string; scion: string; seat: string }[]>(() =>
    (saved?.pairs ?? [])
      .filter((pair) => pair.fixed)
      .map(({ stock, stick, piece, seat }) => ({ stock, scion: `${stick}/${piece}`, seat })),
  );
  const stockOf = useMemo(() => new Map(stocks.map((stock) => [stock.id, stock])), [stocks]);
  const scionOf = useMemo(() => new Map(scions.map((scion) => [scion.id, scion])), [scions]);
  const stickOf = useMemo(() => new Map(sticks.map((stick) => [stick.id, stick])), [sticks]);
  const seatOf = useMemo(() => new Map(seats.map((seat) => [seat.id, seat])), [seats]);
  const largest = Math.max(8, ...stocks.map(({ caliper }) => caliper), ...sticks.map(({ caliper }) => caliper)) + 1;
  const length = (mm: number): string => formatLengthNumber(mm, unit);

  const made = outcome
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
  const pairs = made
    .filter(({ stock, scion, seat }) => stockOf.has(stock) && scionOf.has(scion) && seatOf.has(seat))
    .sort(
      (a, b) =>
        seats.findIndex(({ id }) => id === a.seat) - seats.findIndex(({ id }) => id === b.seat) ||
        stockOf.get(a.stock)!.number - stockOf.get(b.stock)!.number,
    );
  const aside = (outcome?.result.aside ?? []).filter(({ stock }) => !pairs.some((pair) => pair.stock === stock));
  const sum = pairs.reduce((all, { contact }) => all + contact, 0);
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
      pairs: pairs.map(({ stock, scion, seat, contact, fixed: byHand, method: own }) => ({
        stock,
        stick: scionOf.get(scion)!.stick,
        piece: scionOf.get(scion)!.piece,
        seat,
        contact,
        fixed: String(byHand),
        method: own,
      })),
    });
    if (sent) setChangeId(uuid());
  };
  const missing =
    stocks.length === 0
      ? 'Measure stocks first.'
      : scions.length === 0
        ? 'Measure sticks first.'
        : seats.length === 0
          ? 'Nobody has a seat: add people to the roster first.'
          : null;
  return (
    <section aria-labelledby="pairs-title" className="flex flex-col gap-3">
      <PairingHead
        method={method}
        scions={scions}
        sticks={sticks}
        stocks={stocks}
        mayChange={mayChange}
        outcome={outcome}
        missing={missing}
        progress={progress}
        pair={pair}
        busy={busy}
        pairs={pairs}
        save={save}
      />
      <p className="text-sm text-muted">
        Contact is that of the best place, as a hand would hit it: it misses by about {length(SLIP.first)} {unit} on a
        first day, {length(SLIP.some)} with some practice, {length(SLIP.sure)} when sure. Nobody measured that; it is
        our guess.
      </p>
      {missing && <p className="text-muted">{missing}</p>}
      <Problem>
        {problem?.message ??
          (failed
            ? 'Pairing stopped with an error in this browser. Try again; if it stays, pair fewer at a time.'
            : undefined)}
      </Problem>
      <PairingProgress progress={progress} outcome={outcome} />
      {pairs.length > 0 && (
        <>
          {order !== null && (
            <p className="border-y-2 border-ink py-2 text-lg">
              Contact to expect: <strong>{percent(sum / Math.max(1, stocks.length))}</strong> a union paired,{' '}
              <strong>{percent(order / Math.max(1, stocks.length))}</strong> in the order they lie.
              {outcome && outcome.result.inOrder.hopeless > 0
                ? ` As they lie, ${outcome.result.inOrder.hopeless} would be hopeless.`
                : ''}
            </p>
          )}
          <PairsBeside
            outcome={outcome}
            unit={unit}
            pairs={pairs}
            method={method}
            stockOf={stockOf}
            scionOf={scionOf}
            seatOf={seatOf}
            largest={largest}
            length={length}
            stickOf={stickOf}
            mayChange={mayChange}
            fix={fix}
            sticks={sticks}
            scions={scions}
            fixed={fixed}
          />
        </>
      )}
      {aside.length > 0 && <SetAsideList aside={aside} stockOf={stockOf} length={length} unit={unit} />}
    </section>
  );
}

/** A piece of a stick that nobody fixed yet. */
function freePiece(stick: string, scions: { id: string; stick: string }[], fixed: { scion: string }[]): string {
  const own = scions.filter((scion) => scion.stick === stick);
  return (own.find(({ id }) => !fixed.some(({ scion }) => scion === id)) ?? own[0])?.id ?? '';
}

interface SetAsideListProps {
  aside: PairingResult['aside'];
  stockOf: Map<string, PairStock & { number: number }>;
  length: (mm: number) => string;
  unit: PairingBoardProps['unit'];
}

/** Stocks that nothing fits, and why. */
function SetAsideList({ aside, stockOf, length, unit }: SetAsideListProps) {
  return (
    <div className="border-l-4 border-loud bg-sheet px-3 py-2">
      <h3 className="font-bold">Set aside</h3>
      <ul>
        {aside.map(({ stock, why }) => (
          <li key={stock}>
            Stock {stockOf.get(stock)?.number}, {length(stockOf.get(stock)?.caliper ?? 0)} {unit}: {why}, and no other
            method joins it with what is left.
          </li>
        ))}
      </ul>
    </div>
  );
}

interface InOrderProps {
  outcome: { result: PairingResult; instead: Instead[]; seconds: number };
  pairs: { method: string; stock: string; scion: string; seat: string; contact: number; fixed: boolean }[];
  stockOf: Map<string, PairStock & { number: number }>;
  scionOf: Map<string, PairScion & { stick: string; piece: number }>;
  largest: number;
  length: (mm: number) => string;
}

/** The pairs as pieces lie, for comparison. */
function InOrder({ outcome, pairs, stockOf, scionOf, largest, length }: InOrderProps) {
  return (
    <div>
      <h3 className="mb-1 font-bold">In the order they lie</h3>
      <ul className="divide-y divide-line border-y border-line">
        {outcome.result.inOrder.pairs.slice(0, pairs.length).map(({ stock, scion, contact }) => (
          <li key={stock} className="flex items-center gap-2 py-0.5 text-sm tabular-nums">
            <PairPicture
              stock={stockOf.get(stock)?.caliper ?? 1}
              scion={scionOf.get(scion)?.caliper ?? 1}
              contact={contact}
              largest={largest}
            />
            {length(stockOf.get(stock)?.caliper ?? 0)} with {length(scionOf.get(scion)?.caliper ?? 0)}:{' '}
            <strong className={contact < 0.15 ? 'text-loud' : ''}>
              {contact < 0.15 ? 'hopeless' : percent(contact)}
            </strong>
          </li>
        ))}
      </ul>
    </div>
  );
}

interface PairRowProps {
  pairs: { method: string; stock: string; scion: string; seat: string; contact: number; fixed: boolean }[];
  i: number;
  seat: string;
  person: { id: string; name: string; skill: SkillLevel; earlier: number };
  s: PairStock & { number: number };
  c: PairScion & { stick: string; piece: number };
  contact: number;
  largest: number;
  length: (mm: number) => string;
  stickOf: Map<string, Numbered>;
  own: string;
  method: PairingBoardProps['method'];
  mayChange: PairingBoardProps['mayChange'];
  byHand: boolean;
  scion: string;
  fix: (stock: string, seat: string, scion: string | null) => void;
  stock: string;
  sticks: PairingBoardProps['sticks'];
  scions: PairingBoardProps['scions'];
  fixed: { stock: string; scion: string; seat: string }[];
}

/** One pair, whose it is, and the stick that goes with it. */
function PairRow({
  pairs,
  i,
  seat,
  person,
  s,
  c,
  contact,
  largest,
  length,
  stickOf,
  own,
  method,
  mayChange,
  byHand,
  scion,
  fix,
  stock,
  sticks,
  scions,
  fixed,
}: PairRowProps) {
  return (
    <tr>
      <td>
        {pairs[i - 1]?.seat !== seat && (
          <>
            <strong>{person.name}</strong>
            <span className="block text-sm text-muted">{SKILL_WORDS[person.skill]}</span>
          </>
        )}
      </td>
      <td>
        <PairPicture stock={s.caliper} scion={c.caliper} contact={contact} largest={largest} />
      </td>
      <td className="tabular-nums">
        <span className="text-muted">{s.number}</span> {length(s.caliper)}
      </td>
      <td className="tabular-nums">
        <span className="text-muted">{stickOf.get(c.stick)?.number}</span> {length(c.caliper)}
      </td>
      <td className={contact >= 0.6 ? 'font-bold tabular-nums' : 'tabular-nums'}>
        {percent(contact)}
        {own !== method && <span className="block text-sm">by {methodById(own).name.toLowerCase()}</span>}
      </td>
      <td>
        {mayChange && own === method && (
          <select
            aria-label={`Stick for stock ${s.number}`}
            className="bench-input !w-44"
            value={byHand ? scion : ''}
            onChange={(event) => fix(stock, seat, event.target.value || null)}
          >
            <option value="">as paired</option>
            {byHand ? (
              <option value={scion}>stick {stickOf.get(c.stick)?.number}, fixed</option>
            ) : (
              <option value={scion}>keep stick {stickOf.get(c.stick)?.number}</option>
            )}
            {sticks
              .filter(({ id }) => id !== c.stick)
              .map((stick) => (
                <option key={stick.id} value={freePiece(stick.id, scions, fixed)}>
                  stick {stick.number}, {length(stick.caliper)}
                </option>
              ))}
          </select>
        )}
        {!mayChange && byHand && 'fixed'}
      </td>
    </tr>
  );
}

interface PairsTableProps {
  unit: PairingBoardProps['unit'];
  pairs: { method: string; stock: string; scion: string; seat: string; contact: number; fixed: boolean }[];
  method: string;
  stockOf: Map<string, PairStock & { number: number }>;
  scionOf: Map<string, PairScion & { stick: string; piece: number }>;
  seatOf: Map<string, { id: string; name: string; skill: SkillLevel; earlier: number }>;
  largest: number;
  length: (mm: number) => string;
  stickOf: Map<string, Numbered>;
  mayChange: PairingBoardProps['mayChange'];
  fix: (stock: string, seat: string, scion: string | null) => void;
  sticks: PairingBoardProps['sticks'];
  scions: PairingBoardProps['scions'];
  fixed: { stock: string; scion: string; seat: string }[];
}

/** The pairs as they were worked out. */
function PairsTable({
  unit,
  pairs,
  method,
  stockOf,
  scionOf,
  seatOf,
  largest,
  length,
  stickOf,
  mayChange,
  fix,
  sticks,
  scions,
  fixed,
}: PairsTableProps) {
  return (
    <table className="bench-table min-w-[40rem]">
      <thead>
        <tr>
          <th scope="col">Seat</th>
          <th scope="col">
            <span className="sr-only">Picture</span>
          </th>
          <th scope="col">Stock, {unit}</th>
          <th scope="col">Stick, {unit}</th>
          <th scope="col">Contact</th>
          <th scope="col">By hand</th>
        </tr>
      </thead>
      <tbody>
        {pairs.map(({ stock, scion, seat, contact, fixed: byHand, method: own }, i) => {
          const [s, c, person] = [stockOf.get(stock)!, scionOf.get(scion)!, seatOf.get(seat)!];
          return (
            <PairRow
              key={stock}
              pairs={pairs}
              i={i}
              seat={seat}
              person={person}
              s={s}
              c={c}
              contact={contact}
              largest={largest}
              length={length}
              stickOf={stickOf}
              own={own}
              method={method}
              mayChange={mayChange}
              byHand={byHand}
              scion={scion}
              fix={fix}
              stock={stock}
              sticks={sticks}
              scions={scions}
              fixed={fixed}
            />
          );
        })}
      </tbody>
    </table>
  );
}

interface PairingProgressProps {
  progress: number | null;
  outcome: { result: PairingResult; instead: Instead[]; seconds: number } | null;
}

/** How far the working out is. */
function PairingProgress({ progress, outcome }: PairingProgressProps) {
  return (
    <p role="status" className="min-h-6">
      {progress !== null ? (
        <>
          <progress value={progress} max={1} aria-label="Working out contact" className="mr-2 h-3 w-48 align-middle" />
          Working out the contact of every pair of calipers, {percent(progress)}.
        </>
      ) : outcome ? (
        `Paired in ${outcome.seconds.toFixed(1)} s.`
      ) : (
        ''
      )}
    </p>
  );
}

interface PairingHeadProps {
  method: PairingBoardProps['method'];
  scions: PairingBoardProps['scions'];
  sticks: PairingBoardProps['sticks'];
  stocks: PairingBoardProps['stocks'];
  mayChange: PairingBoardProps['mayChange'];
  outcome: { result: PairingResult; instead: Instead[]; seconds: number } | null;
  missing:
    'Measure stocks first.' | 'Measure sticks first.' | 'Nobody has a seat: add people to the roster first.' | null;
  progress: number | null;
  pair: (withFixed?: { stock: string; scion: string; seat: string }[]) => void;
  busy: boolean;
  pairs: { method: string; stock: string; scion: string; seat: string; contact: number; fixed: boolean }[];
  save: () => Promise<void>;
}

/** What is paired, and what is done with it. */
function PairingHead({
  method,
  scions,
  sticks,
  stocks,
  mayChange,
  outcome,
  missing,
  progress,
  pair,
  busy,
  pairs,
  save,
}: PairingHeadProps) {
  return (
    <div className="flex flex-wrap items-end justify-between gap-3">
      <h2 id="pairs-title">
        Who joins what{' '}
        <span className="text-base font-normal text-muted">
          {methodById(method).name}; {scions.length} {scions.length === 1 ? 'piece' : 'pieces'} from {sticks.length}{' '}
          sticks for {stocks.length} stocks
        </span>
      </h2>
      <div className="flex gap-2">
        {mayChange && (
          <button
            type="button"
            className="bench-button"
            data-weight={outcome ? undefined : 'main'}
            disabled={missing !== null || progress !== null}
            onClick={() => pair()}
          >
            Pair them
          </button>
        )}
        {mayChange && outcome && (
          <button
            type="button"
            className="bench-button"
            data-weight="main"
            disabled={busy || pairs.length === 0}
            onClick={() => void save()}
          >
            Save the pairs
          </button>
        )}
      </div>
    </div>
  );
}

interface PairsBesideProps {
  outcome: { result: PairingResult; instead: Instead[]; seconds: number } | null;
  unit: PairingBoardProps['unit'];
  pairs: { method: string; stock: string; scion: string; seat: string; contact: number; fixed: boolean }[];
  method: PairingBoardProps['method'];
  stockOf: Map<string, PairStock & { number: number }>;
  scionOf: Map<string, PairScion & { stick: string; piece: number }>;
  seatOf: Map<string, { id: string; name: string; skill: SkillLevel; earlier: number }>;
  largest: number;
  length: (mm: number) => string;
  stickOf: Map<string, Numbered>;
  mayChange: PairingBoardProps['mayChange'];
  fix: (stock: string, seat: string, scion: string | null) => void;
  sticks: PairingBoardProps['sticks'];
  scions: PairingBoardProps['scions'];
  fixed: { stock: string; scion: string; seat: string }[];
}

/** The pairs, beside those in the order the pieces lie. */
function PairsBeside({
  outcome,
  unit,
  pairs,
  method,
  stockOf,
  scionOf,
  seatOf,
  largest,
  length,
  stickOf,
  mayChange,
  fix,
  sticks,
  scions,
  fixed,
}: PairsBesideProps) {
  return (
    <div className={`grid grid-cols-[minmax(0,1fr)] gap-6 ${outcome ? 'lg:grid-cols-[minmax(0,1fr)_15rem]' : ''}`}>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Pairs, scrolls sideways on narrow screens"
      >
        <PairsTable
          unit={unit}
          pairs={pairs}
          method={method}
          stockOf={stockOf}
          scionOf={scionOf}
          seatOf={seatOf}
          largest={largest}
          length={length}
          stickOf={stickOf}
          mayChange={mayChange}
          fix={fix}
          sticks={sticks}
          scions={scions}
          fixed={fixed}
        />
      </div>
      {outcome && (
        <InOrder
          outcome={outcome}
          pairs={pairs}
          stockOf={stockOf}
          scionOf={scionOf}
          largest={largest}
          length={length}
        />
      )}
    </div>
  );
}
