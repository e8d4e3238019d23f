'use client';

import { useState } from 'react';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

const UNITS = {
  lengthUnit: [
    ['mm', 'Millimetres'],
    ['in', 'Inches'],
  ],
  temperatureUnit: [
    ['C', '°C'],
    ['F', '°F'],
  ],
} as const;

/** Units that a person reads and types; stored is always mm and degC. */
export function UnitsForm({ lengthUnit, temperatureUnit }: { lengthUnit: string; temperatureUnit: string }) {
  const { run, busy, problem } = useSend();
  const [chosen, setChosen] = useState({ lengthUnit, temperatureUnit });
  const choose = async (next: typeof chosen): Promise<void> => {
    const before = chosen;
    setChosen(next);
    const sent = await run('PUT', '/api/units', next);
    if (sent && !sent.ok) setChosen(before);
  };
  return (
    <div className="flex flex-col gap-3">
      <Problem>{problem?.message}</Problem>
      {(['lengthUnit', 'temperatureUnit'] as const).map((name) => (
        <fieldset key={name} disabled={busy}>
          <legend className="text-sm font-bold">{name === 'lengthUnit' ? 'Lengths' : 'Temperatures'}</legend>
          {UNITS[name].map(([value, label]) => (
            <label key={value} className="mr-5 inline-flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name={name}
                className="size-5"
                checked={chosen[name] === value}
                onChange={() => void choose({ ...chosen, [name]: value })}
              />
              {label}
            </label>
          ))}
        </fieldset>
      ))}
      <p className="text-sm text-muted">Exported tables are in mm and °C for everybody.</p>
    </div>
  );
}
