'use client';

import { percent } from '@/core/units/percent';
import { SKILL_WORDS } from '@/core/plan/pairing/hand';
import { PairPicture } from './pair-picture';
import type { PairsOnBoard, ShownPair } from './use-pairs';

/** A piece of a stick that nobody fixed yet. */
function freePiece(stick: string, scions: { id: string; stick: string }[], fixed: { scion: string }[]): string {
  const own = scions.filter((scion) => scion.stick === stick);
  return (own.find(({ id }) => !fixed.some(({ scion }) => scion === id)) ?? own[0])?.id ?? '';
}

/** One pair, whose it is, and the stick that goes with it. */
function PairRow({ pair, first, board }: { pair: ShownPair; first: boolean; board: PairsOnBoard }) {
  const { largest, length, stockOf, scionOf, stickOf, seatOf, method, mayChange } = board;
  const { contact } = pair;
  const stock = stockOf.get(pair.stock)!;
  const scion = scionOf.get(pair.scion)!;
  const person = seatOf.get(pair.seat)!;
  return (
    <tr>
      <td>
        {first && (
          <>
            <strong>{person.name}</strong>
            <span className="block text-sm text-muted">{SKILL_WORDS[person.skill]}</span>
          </>
        )}
      </td>
      <td>
        <PairPicture stock={stock.caliper} scion={scion.caliper} contact={contact} largest={largest} />
      </td>
      <td className="tabular-nums">
        <span className="text-muted">{stock.number}</span> {length(stock.caliper)}
      </td>
      <td className="tabular-nums">
        <span className="text-muted">{stickOf.get(scion.stick)?.number}</span> {length(scion.caliper)}
      </td>
      <td className={contact >= 0.6 ? 'font-bold tabular-nums' : 'tabular-nums'}>
        {percent(contact)}
        {pair.method !== method && <span className="block text-sm">by {board.names[pair.method]?.toLowerCase()}</span>}
      </td>
      <td>
        {mayChange && pair.method === method && <StickChoice pair={pair} board={board} />}
        {!mayChange && pair.fixed && 'fixed'}
      </td>
    </tr>
  );
}

/** Which stick a stock gets, if not the one it was paired with. */
function StickChoice({ pair, board }: { pair: ShownPair; board: PairsOnBoard }) {
  const { length, stockOf, scionOf, stickOf, sticks, scions, fixed, fix, still } = board;
  const own = scionOf.get(pair.scion)!.stick;
  return (
    <select
      aria-label={`Stick for stock ${stockOf.get(pair.stock)!.number}`}
      className="bench-input !w-44"
      value={pair.fixed ? pair.scion : ''}
      disabled={still}
      onChange={(event) => fix(pair.stock, pair.seat, event.target.value || null)}
    >
      <option value="">as paired</option>
      <option value={pair.scion}>
        {pair.fixed ? `stick ${stickOf.get(own)?.number}, fixed` : `keep stick ${stickOf.get(own)?.number}`}
      </option>
      {sticks
        .filter(({ id }) => id !== own)
        .map((stick) => (
          <option key={stick.id} value={freePiece(stick.id, scions, fixed)}>
            stick {stick.number}, {length(stick.caliper)}
          </option>
        ))}
    </select>
  );
}

/** The pairs as they were worked out. */
export function PairsTable({ board }: { board: PairsOnBoard }) {
  const { unit, pairs } = board;
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
        {pairs.map((pair, i) => (
          <PairRow key={pair.stock} pair={pair} first={pairs[i - 1]?.seat !== pair.seat} board={board} />
        ))}
      </tbody>
    </table>
  );
}
