'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { UnionLife, WordedWay } from '@/core/aftercare/life/plant-life';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { deviceToday } from '@/ui/kit/device/device-clock';
import type { AtPlant } from './at-plant';

interface SecondChanceProps {
  life: UnionLife;
  plantId: string;
  at: AtPlant;
}

/** What can still be done on the stock of a union that died, this season and the next, and the new union joined to it. */
export function SecondChance({ life: { second, stockCaliper }, plantId, at }: SecondChanceProps) {
  if (second === null) return null;
  return (
    <section aria-label="A second chance" className="mb-4 border-2 border-ink p-3">
      <h3 className="font-bold">A second chance on this stock</h3>
      {second.length === 0 ? (
        <p>This season and the next are over for it. Keep its best shoot and plan it into another day.</p>
      ) : (
        <>
          <p>While the stock lives, and its bark is green below the dead graft:</p>
          <Ways ways={second.slice(0, FIRST)} unit={at.unit} />
          {second.length > FIRST && (
            <details>
              <summary className="min-h-11 cursor-pointer py-2 font-bold">
                Later ({counted(second.length - FIRST, 'way')})
              </summary>
              <Ways ways={second.slice(FIRST)} unit={at.unit} />
            </details>
          )}
          <p className="mt-1">
            {stockCaliper === null
              ? 'Measure the stock and enter its caliper below: what does not suit it is left out then.'
              : `For its stock of ${formatLength(stockCaliper, at.unit)}.`}
          </p>
        </>
      )}
      {at.mayChange && second.length > 0 && <JoinForm ways={second} plantId={plantId} />}
    </section>
  );
}

/** So many ways are seen at once. */
const FIRST = 4;

function Ways({ ways, unit }: { ways: readonly WordedWay[]; unit: LengthUnit }) {
  return (
    <ul className="mt-1 divide-y divide-line">
      {ways.map((way) => (
        <Way key={`${way.method} ${way.variant}`} way={way} unit={unit} />
      ))}
    </ul>
  );
}

function Way({ way, unit }: { way: WordedWay; unit: LengthUnit }) {
  const { words, woodWords, from, to, stock } = way;
  const open = from <= deviceToday();
  const thick =
    stock.to === null
      ? `from ${formatLength(stock.from, unit)}`
      : `${formatLength(stock.from, unit)} to ${formatLength(stock.to, unit)}`;
  return (
    <li className="grid gap-x-4 py-1 sm:grid-cols-[15rem_1fr]">
      <span className={open ? 'font-bold' : ''}>
        {open ? `Until ${formatDate(to)}` : `${formatDate(from)} to ${formatDate(to)}`}
      </span>
      <span>
        <span className="font-bold">{words}</span>
        <span className="block text-sm text-muted">
          {woodWords} Stock {thick}.
        </span>
      </span>
    </li>
  );
}

/** Says that the stock was grafted again, by which method and when. */
function JoinForm({ ways, plantId }: { ways: readonly WordedWay[]; plantId: string }) {
  const { run, busy, problem } = useSend();
  const [unionId] = useState(() => uuid());
  const [madeOn, setMadeOn] = useState(deviceToday);
  const methods = [...new Map(ways.map((way) => [way.method, way])).values()];
  const [method, setMethod] = useState(methods[0]!.method);
  return (
    <>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Field label="Grafted again by">
          <select value={method} onChange={(event) => setMethod(event.target.value)}>
            {methods.map(({ method: id, methodName }) => (
              <option key={id} value={id}>
                {methodName}
              </option>
            ))}
          </select>
        </Field>
        <Field label="On">
          <input type="date" max={deviceToday()} value={madeOn} onChange={(event) => setMadeOn(event.target.value)} />
        </Field>
        <button
          type="button"
          className="bench-button"
          disabled={busy || madeOn === ''}
          onClick={() => void run('PUT', `/api/plants/${plantId}/second-unions/${unionId}`, { method, madeOn })}
        >
          Join it to this plant
        </button>
      </div>
      <Problem>{problem?.message}</Problem>
    </>
  );
}
