'use client';

import { percent } from '@/core/units/percent';
import { SKILL_WORDS, type SkillLevel } from '@/core/plan/pairing/hand';
import type { PairScion, PairStock } from '@/core/plan/pairing/pair-up';
import { PairPicture } from './pair-picture';
import type { PairsOnBoard } from './use-pairs';

/** A piece of a stick that nobody fixed yet. */
function freePiece(stick: string, scions: { id: string; stick: string }[], fixed: { scion: string }[]): string {
  const own = scions.filter((scion) => scion.stick === stick);
  return (own.find(({ id }) => !fixed.some(({ scion }) => scion === id)) ?? own[0])?.id ?? '';
}

/** One pair, whose it is, and the stick that goes with it. */
function PairRow({
  i,
  seat,
  person,
  s,
  c,
  contact,
  own,
  byHand,
  scion,
  stock,
  board,
}: {
  i: number;
  seat: string;
  person: { id: string; name: string; skill: SkillLevel; earlier: number };
  s: PairStock & { number: number };
  c: PairScion & { stick: string; piece: number };
  contact: number;
  own: string;
  byHand: boolean;
  scion: string;
  stock: string;
  board: PairsOnBoard;
}) {
  const { pairs, largest, length, stickOf, method, mayChange, fix, sticks, scions, fixed } = board;
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
        {own !== method && <span className="block text-sm">by {board.names[own]?.toLowerCase()}</span>}
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

/** The pairs as they were worked out. */
export function PairsTable({ board }: { board: PairsOnBoard }) {
  const { unit, pairs, stockOf, scionOf, seatOf } = board;
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
              i={i}
              seat={seat}
              person={person}
              s={s}
              c={c}
              contact={contact}
              own={own}
              byHand={byHand}
              scion={scion}
              stock={stock}
              board={board}
            />
          );
        })}
      </tbody>
    </table>
  );
}
