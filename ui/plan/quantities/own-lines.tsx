'use client';

import { v7 as uuid } from 'uuid';
import type { OwnLine } from './use-kit-entries';

interface OwnLinesProps {
  own: OwnLine[];
  mayChange: boolean;
  onChange: (own: OwnLine[]) => void;
}

/** Lines that somebody added to the kit list. */
export function OwnLines({ own, mayChange, onChange }: OwnLinesProps) {
  const change = (id: string, changes: Partial<OwnLine>): void =>
    onChange(own.map((line) => (line.id === id ? { ...line, ...changes } : line)));
  return (
    <div>
      <h3 className="font-bold">Lines of your own</h3>
      <ul className="flex flex-col gap-2">
        {own.map((line) => (
          <li key={line.id} className="flex flex-wrap items-center gap-2">
            <input
              aria-label="Name of the line"
              className="bench-input !w-56"
              value={line.name}
              disabled={!mayChange}
              onChange={(event) => change(line.id, { name: event.target.value })}
            />
            <input
              aria-label={`${line.name || 'line'}: amount`}
              inputMode="decimal"
              className="bench-input !w-20 text-right"
              value={line.total}
              disabled={!mayChange}
              onChange={(event) => change(line.id, { total: event.target.value })}
            />
            <input
              aria-label={`${line.name || 'line'}: unit`}
              className="bench-input !w-28"
              value={line.unit}
              disabled={!mayChange}
              onChange={(event) => change(line.id, { unit: event.target.value })}
            />
            {mayChange && (
              <button
                type="button"
                className="bench-button"
                onClick={() => onChange(own.filter(({ id }) => id !== line.id))}
              >
                Take away<span className="sr-only"> {line.name}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {mayChange && (
        <button
          type="button"
          className="bench-button mt-2"
          onClick={() => onChange([...own, { id: `own-${uuid()}`, name: '', unit: 'pieces', total: '1' }])}
        >
          Add a line
        </button>
      )}
    </div>
  );
}
