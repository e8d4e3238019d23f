'use client';

import { decimalOrText } from '@/core/units/decimal';
import { useState } from 'react';
import { type Assumption, ASSUMPTIONS, type Edits } from '@/core/plan/phenology/assumptions';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';
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
export function AssumptionsForm(props: AssumptionsFormProps) {
  const [saved, setSaved] = useState(false);
  return <FiguresForm key={props.version} {...props} saved={saved} setSaved={setSaved} />;
}

function FiguresForm({
  siteId,
  version,
  edits,
  quarantine,
  region,
  mayChange,
  saved,
  setSaved,
}: AssumptionsFormProps & { saved: boolean; setSaved: (saved: boolean) => void }) {
  const { run, busy, problem } = useSend();
  const [typed, setTyped] = useState(() => typedFigures(edits));
  const set = (id: string, changes: Partial<Typed>): void => {
    setSaved(false);
    setTyped({ ...typed, [id]: { ...typed[id]!, ...changes } });
  };
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
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
          { value: decimalOrText(entry.value), margin: decimalOrText(entry.margin), source: entry.source },
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
      <div className="max-h-[32rem] overflow-y-auto" tabIndex={0} role="group" aria-label="Figures, scroll">
        <SheetTable
          label="Figures"
          className="min-w-[46rem]"
          rows={ASSUMPTIONS}
          columns={figureColumns(typed, edits, mayChange, set)}
          idOf={({ id }) => id}
          search="Find a figure"
        />
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

function figureColumns(
  typed: Record<string, Typed>,
  edits: AssumptionsFormProps['edits'],
  mayChange: boolean,
  set: (id: string, changes: Partial<Typed>) => void,
): SheetColumn<Assumption>[] {
  const input = ({ id, name }: Assumption, key: keyof Typed, words: string): React.ReactNode => (
    <input
      aria-label={`${name}: ${words}`}
      {...(key === 'source'
        ? { className: 'bench-input', placeholder: 'no source: a guess', maxLength: 200 }
        : { className: 'bench-figure', inputMode: 'decimal' as const })}
      value={typed[id]![key]}
      disabled={!mayChange}
      onChange={(event) => set(id, { [key]: event.target.value })}
    />
  );
  return [
    {
      id: 'figure',
      head: 'Figure',
      names: true,
      value: ({ name }) => name,
      cell: ({ id, name }) => (
        <>
          {name}
          {edits[id] && <span className="ml-2 text-sm font-bold">changed here</span>}
        </>
      ),
    },
    {
      id: 'value',
      head: 'Value',
      className: 'whitespace-nowrap',
      cell: (assumption) => (
        <>
          {input(assumption, 'value', 'value')}{' '}
          <span className="inline-block w-16 text-left text-sm text-muted">{assumption.unit}</span>
        </>
      ),
    },
    { id: 'margin', head: 'Give or take', cell: (assumption) => input(assumption, 'margin', 'give or take') },
    {
      id: 'source',
      head: 'Source',
      value: ({ id }) => typed[id]!.source,
      cell: (assumption) => input(assumption, 'source', 'source'),
    },
  ];
}

/** The figures as they stand: the site's own, or those of the trade. */
function typedFigures(edits: AssumptionsFormProps['edits']): Record<string, Typed> {
  return Object.fromEntries(
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
  );
}
