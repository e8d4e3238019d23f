'use client';

import { useState } from 'react';
import { type FieldValues, get, set } from 'react-hook-form';
import { type Assumption, ASSUMPTIONS, type Edits } from '@/core/plan/phenology/assumptions';
import { assumptionText, assumptionUnit, readAssumption, type Units } from './assumption-text';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';
import { useEntry } from '@/ui/kit/form/use-entry';

interface AssumptionsFormProps {
  siteId: string;
  version: number;
  edits: Edits;
  quarantine: string[];
  region: string;
  units: Units;
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
  units,
  mayChange,
  saved,
  setSaved,
}: AssumptionsFormProps & { saved: boolean; setSaved: (saved: boolean) => void }) {
  const { register, submit, errors, problem, busy, watch } = useEntry(
    () => import('@/core/plan/phenology/assumptions-input').then(({ assumptionsInput }) => assumptionsInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/sites/${siteId}/assumptions`, values);
      setSaved(sent?.ok ?? false);
    },
    {
      starts: { region, quarantine: quarantine.join(', '), ...typedFigures(edits, units) },
      read: (typed) => ({
        version,
        region: typed.region,
        quarantine: String(typed.quarantine)
          .split(',')
          .map((word) => word.trim())
          .filter(Boolean),
        edits: Object.fromEntries(
          ASSUMPTIONS.map((assumption) => {
            const own = get(typed, `edits.${assumption.id}`) as Typed;
            const read = (key: 'value' | 'margin'): string | number => {
              const known = [edits[assumption.id]?.[key], assumption[key]].filter((figure) => figure !== undefined);
              return readAssumption(assumption, key, own[key], known, units);
            };
            return [assumption.id, { ...own, value: read('value'), margin: read('margin') }];
          }),
        ),
      }),
    },
  );
  return (
    <form onSubmit={submit} onChange={() => setSaved(false)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2">
        <Field label="Region" hint="Wood grown in another region crosses a boundary" error={errors.region}>
          <input {...register('region')} disabled={!mayChange} maxLength={80} />
        </Field>
        <Field
          label="Quarantine list, besides citrus kin"
          hint="Species or kin, with commas. The local authority decides."
          error={errors.quarantine}
        >
          <input {...register('quarantine')} disabled={!mayChange} />
        </Field>
      </div>
      <div className="max-h-[32rem] overflow-y-auto" tabIndex={0} role="group" aria-label="Figures, scroll">
        <SheetTable
          label="Figures"
          className="min-w-[46rem]"
          rows={ASSUMPTIONS}
          columns={figureColumns({ register, watch, errors, edits, units, mayChange })}
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

interface FigureEntry extends Pick<ReturnType<typeof useEntry>, 'register' | 'watch' | 'errors'> {
  edits: Edits;
  units: Units;
  mayChange: boolean;
}

function figureColumns({ register, watch, errors, edits, units, mayChange }: FigureEntry): SheetColumn<Assumption>[] {
  const input = ({ id, name }: Assumption, key: keyof Typed, words: string): React.ReactNode => {
    const place = `edits.${id}.${key}`;
    const refusal = errors[place];
    return (
      <>
        <input
          aria-label={`${name}: ${words}`}
          aria-invalid={refusal !== undefined}
          {...(key === 'source'
            ? { className: 'bench-input', placeholder: 'nobody: our guess', maxLength: 200 }
            : { className: 'bench-figure', inputMode: 'decimal' as const })}
          {...register(place)}
          disabled={!mayChange}
        />
        {refusal && <span className="block text-sm font-bold text-loud">{refusal}</span>}
      </>
    );
  };
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
          <span className="inline-block w-16 text-left text-sm text-muted">{assumptionUnit(assumption, units)}</span>
        </>
      ),
    },
    { id: 'margin', head: 'Give or take', cell: (assumption) => input(assumption, 'margin', 'give or take') },
    {
      id: 'source',
      head: 'Source',
      value: ({ id }) => String(watch(`edits.${id}.source`)),
      cell: (assumption) => input(assumption, 'source', 'source'),
    },
  ];
}

/** The figures as they stand, the site's own or the usual ones; where an id has a point, the form has a level. */
function typedFigures(edits: Edits, units: Units): FieldValues {
  const figures: FieldValues = {};
  for (const assumption of ASSUMPTIONS) {
    const { id, value, margin, source } = assumption;
    set(figures, `edits.${id}`, {
      value: assumptionText(assumption, 'value', edits[id]?.value ?? value, units),
      margin: assumptionText(assumption, 'margin', edits[id]?.margin ?? margin, units),
      source: edits[id]?.source ?? source ?? '',
    });
  }
  return figures;
}
