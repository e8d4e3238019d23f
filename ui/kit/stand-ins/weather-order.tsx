'use client';

import { useState } from 'react';
import { parseDecimal } from '@/core/units/decimal';
import { fromCelsius, type TemperatureUnit, toCelsius } from '@/core/units/temperature';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface WeatherOrderProps {
  sites: readonly { id: string; name: string }[];
  first: string;
  unit: TemperatureUnit;
  mayChange: boolean;
}

type Kind = 'hot' | 'frost' | 'none';
/** What each kind begins with, °C. */
const DEGREES: Record<Kind, number> = { hot: 34, frost: -3, none: 0 };

interface Order {
  siteId: string;
  kind: Kind;
  startsIn: string;
  days: string;
  degrees: string;
}

/** Orders days of the simulated weather service. */
export function WeatherOrder({ sites, first, unit, mayChange }: WeatherOrderProps) {
  const { run, busy, problem } = useSend();
  const [told, setTold] = useState('');
  const [order, setOrder] = useState<Order>({
    siteId: first,
    kind: 'hot',
    startsIn: '0',
    days: '3',
    degrees: String(fromCelsius(DEGREES.hot, unit)),
  });
  const change = (changes: Partial<Order>): void => setOrder({ ...order, ...changes });
  const save = async (): Promise<void> => {
    setTold('');
    const value = parseDecimal(order.degrees);
    const sent = await run<{ days: number }>('PUT', '/api/stand-ins/weather', {
      ...order,
      degrees: value === null ? order.degrees : toCelsius(value, unit),
    });
    if (sent?.ok)
      setTold(
        sent.data.days === 0
          ? 'Nothing is ordered any more.'
          : `${sent.data.days} days are ordered; others stay as they were.`,
      );
  };
  return (
    <form
      noValidate
      className="board flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Problem>{problem?.message}</Problem>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Site" error={problem?.fields.siteId}>
          <select value={order.siteId} onChange={(event) => change({ siteId: event.target.value })}>
            {sites.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
        <Field label="What" error={problem?.fields.kind}>
          <select
            value={order.kind}
            onChange={(event) => {
              const kind = event.target.value as Kind;
              change({ kind, degrees: String(fromCelsius(DEGREES[kind], unit)) });
            }}
          >
            <option value="hot">a hot spell</option>
            <option value="frost">a frost</option>
            <option value="none">nothing: take it back</option>
          </select>
        </Field>
        {order.kind !== 'none' && <Spell order={order} unit={unit} fields={problem?.fields ?? {}} onChange={change} />}
      </div>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy || !mayChange}>
        {order.kind === 'none' ? 'Take it back' : 'Order it'}
      </button>
      <p role="status" className="font-bold empty:hidden">
        {told}
      </p>
    </form>
  );
}

interface SpellProps {
  order: Order;
  unit: TemperatureUnit;
  fields: Record<string, string>;
  onChange: (changes: Partial<Order>) => void;
}

/** When it begins, how long it lasts, and how hot or cold it gets. */
function Spell({ order, unit, fields, onChange }: SpellProps) {
  return (
    <>
      <Field label="Begins in days" error={fields.startsIn}>
        <input
          inputMode="numeric"
          value={order.startsIn}
          onChange={(event) => onChange({ startsIn: event.target.value })}
        />
      </Field>
      <Field label="Lasts days" error={fields.days}>
        <input inputMode="numeric" value={order.days} onChange={(event) => onChange({ days: event.target.value })} />
      </Field>
      <Field label={order.kind === 'hot' ? `Up to, °${unit}` : `Down to, °${unit}`} error={fields.degrees}>
        <input
          inputMode="decimal"
          value={order.degrees}
          onChange={(event) => onChange({ degrees: event.target.value })}
        />
      </Field>
    </>
  );
}
