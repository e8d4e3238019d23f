'use client';

import { useState } from 'react';
import { ASSUMPTIONS, type Edits } from '@/core/plan/phenology/assumptions';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface AssumptionsFormProps {
  siteId: string;
  version: number;
  edits: Edits;
  quarantine: string[];
  region: string;
  mayChange: boolean;
}

type Typed = { value: string; margin: string; source: string };

/** Every figure that dates are reckoned from, with its margin and who says so. */
export function AssumptionsForm({ siteId, version, edits, quarantine, region, mayChange }: AssumptionsFormProps) {
  const { run, busy, problem } = useSend();
  const [typed, setTyped] = useState<Record<string, Typed>>(() =>
    Object.fromEntries(
      ASSUMPTIONS.map((assumption) => {
        const edit = edits[assumption.id];
        return [
          assumption.id,
          {
            value: String(edit?.value ?? assumption.value),
            margin: String(edit?.margin ?? assumption.margin),
            source: edit?.source ?? assumption.source ?? '',
          },
        ];
      }),
    ),
  );
  const [saved, setSaved] = useState(false);
  const set = (id: string, changes: Partial<Typed>): void => {
    setSaved(false);
    setTyped({ ...typed, [id]: { ...typed[id]!, ...changes } });
  };
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    const number = (text: string): number | string => (text.trim() === '' ? text : Number(text.replace(',', '.')));
    const sent = await run('PUT', `/api/sites/${siteId}/assumptions`, {
      version,
      region: data.get('region'),
      quarantine: String(data.get('quarantine'))
        .split(',')
        .map((word) => word.trim())
        .filter(Boolean),
      edits: Object.fromEntries(
        Object.entries(typed).map(([id, entry]) => [
          id,
          { value: number(entry.value), margin: number(entry.margin), source: entry.source },
        ]),
      ),
    });
    setSaved(sent?.ok ?? false);
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem?.message}</Problem>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2">
        <Field label="Region" hint="Wood grown in another region crosses a boundary" error={problem?.fields.region}>
          <input name="region" defaultValue={region} disabled={!mayChange} maxLength={80} />
        </Field>
        <Field
          label="Quarantine list, besides citrus kin"
          hint="Species or kin, with commas. The local authority decides."
        >
          <input name="quarantine" defaultValue={quarantine.join(', ')} disabled={!mayChange} />
        </Field>
      </div>
      <div className="relative max-h-[32rem] overflow-auto" tabIndex={0} role="group" aria-label="Figures, scrolls">
        <table className="bench-table min-w-[46rem]">
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col">Value</th>
              <th scope="col">Give or take</th>
              <th scope="col">Source</th>
            </tr>
          </thead>
          <tbody>
            {ASSUMPTIONS.map((assumption) => (
              <tr key={assumption.id}>
                <th scope="row" className="!border-b !border-line !align-middle !text-base !font-normal">
                  {assumption.name}
                  {edits[assumption.id] && <span className="ml-2 text-sm font-bold">changed here</span>}
                </th>
                <td className="whitespace-nowrap">
                  <input
                    aria-label={`${assumption.name}: value`}
                    inputMode="decimal"
                    className="bench-figure"
                    value={typed[assumption.id]!.value}
                    disabled={!mayChange}
                    onChange={(event) => set(assumption.id, { value: event.target.value })}
                  />{' '}
                  <span className="inline-block w-16 text-left text-sm text-muted">{assumption.unit}</span>
                </td>
                <td>
                  <input
                    aria-label={`${assumption.name}: give or take`}
                    inputMode="decimal"
                    className="bench-figure"
                    value={typed[assumption.id]!.margin}
                    disabled={!mayChange}
                    onChange={(event) => set(assumption.id, { margin: event.target.value })}
                  />
                </td>
                <td>
                  <input
                    aria-label={`${assumption.name}: source`}
                    className="bench-input"
                    placeholder="no source: a guess"
                    value={typed[assumption.id]!.source}
                    disabled={!mayChange}
                    maxLength={200}
                    onChange={(event) => set(assumption.id, { source: event.target.value })}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {mayChange && (
        <div className="flex items-center gap-3">
          <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
            Save the figures
          </button>
          {saved && <span role="status">Saved.</span>}
        </div>
      )}
    </form>
  );
}
