'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { METHODS, methodById } from '@/core/methods/registry';
import { PLACE_WORDS } from '@/core/methods/use';
import type { PlannedMethod } from '@/core/plan/dates/planned-method';
import type { QuantitySettings } from '@/core/plan/quantities/needs';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useSend } from '@/ui/kit/form/use-send';

interface MethodsFormProps {
  workshopId: string;
  version: number;
  methods: PlannedMethod[];
  expected: number | null;
  settings: QuantitySettings;
  /** The one the workshop is scored by: it stays. */
  main: string;
}

/** What is taught, on what, and how much of it each person makes; and how sure the promise shall be. */
export function MethodsForm({ workshopId, version, methods, expected, settings, main }: MethodsFormProps) {
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title="What is made"
      description="Each method with its wood, practice unions and keepers for one person."
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="bench-button">
          Change what is made
        </button>
      }
    >
      <Inner
        workshopId={workshopId}
        version={version}
        methods={methods}
        expected={expected}
        settings={settings}
        main={main}
        onDone={() => setOpen(false)}
      />
    </SheetDialog>
  );
}

function Inner({
  workshopId,
  version,
  methods,
  expected,
  settings,
  main,
  onDone,
}: MethodsFormProps & { onDone: () => void }) {
  const { run, busy, problem } = useSend();
  const [rows, setRows] = useState(() => methods.map((row) => ({ ...row, key: uuid() })));
  const [changeId, setChangeId] = useState(() => uuid());
  const change = (key: string, changes: Partial<PlannedMethod>): void =>
    setRows(rows.map((row) => (row.key === key ? { ...row, ...changes } : row)));
  const free = METHODS.filter(({ id }) => !rows.some(({ method }) => method === id));
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const entered = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>;
    const sent = await run('PUT', `/api/workshops/${workshopId}/plan/methods`, {
      changeId,
      version,
      expected: entered.expected,
      methods: rows,
      settings: {
        ...settings,
        confidence: Number(entered.confidence) / 100,
        aim: entered.aim,
        usableBuds: entered.usableBuds,
        waste: Number(entered.waste) / 100,
        practiceWrapped: entered.practiceWrapped === 'on',
        peoplePerBench: entered.peoplePerBench,
        bottle: entered.bottle,
        disinfectant: entered.disinfectant,
      },
    });
    if (sent?.ok) onDone();
    else if (sent?.status === 422) setChangeId(uuid());
  };
  const fields = problem?.fields ?? {};
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4" noValidate>
      <Problem>{problem?.message}</Problem>
      {rows.map((row, i) => (
        <fieldset key={row.key} className="flex flex-col gap-2 border-l-4 border-bark pl-3">
          <legend className="font-bold">
            {methodById(row.method).name}
            {row.method === main ? ', scored on the day' : ''}
          </legend>
          <div className="grid grid-cols-2 gap-2">
            <Field label="Where" error={fields[`methods[${i}].place`]}>
              <select
                value={row.place}
                onChange={(event) => change(row.key, { place: event.target.value as PlannedMethod['place'] })}
              >
                {methodById(row.method).use.places.map((place) => (
                  <option key={place} value={place}>
                    {PLACE_WORDS[place]}
                  </option>
                ))}
              </select>
            </Field>
            <Field label="Practice on">
              <select
                value={row.practiceOn}
                onChange={(event) => change(row.key, { practiceOn: event.target.value as PlannedMethod['practiceOn'] })}
              >
                <option value="prunings">prunings</option>
                <option value="good">good wood and stocks</option>
              </select>
            </Field>
            <Field label="Scion species" error={fields[`methods[${i}].scionSpecies`]}>
              <input
                value={row.scionSpecies}
                maxLength={60}
                onChange={(event) => change(row.key, { scionSpecies: event.target.value })}
              />
            </Field>
            <Field label="Stock species" error={fields[`methods[${i}].stockSpecies`]}>
              <input
                value={row.stockSpecies}
                maxLength={60}
                onChange={(event) => change(row.key, { stockSpecies: event.target.value })}
              />
            </Field>
            <Field label="Practice unions each" error={fields[`methods[${i}].practiceEach`]}>
              <input
                inputMode="numeric"
                value={row.practiceEach}
                onChange={(event) => change(row.key, { practiceEach: event.target.value as never })}
              />
            </Field>
            <Field label="Keepers each" error={fields[`methods[${i}].keepersEach`]}>
              <input
                inputMode="numeric"
                value={row.keepersEach}
                onChange={(event) => change(row.key, { keepersEach: event.target.value as never })}
              />
            </Field>
          </div>
          {row.method !== main && (
            <button
              type="button"
              className="bench-button self-start"
              onClick={() => setRows(rows.filter(({ key }) => key !== row.key))}
            >
              Leave {methodById(row.method).name} out
            </button>
          )}
        </fieldset>
      ))}
      {free.length > 0 && rows.length < 6 && (
        <Field label="Teach another method">
          <select
            value=""
            onChange={(event) =>
              setRows([
                ...rows,
                {
                  ...rows[0]!,
                  key: uuid(),
                  method: event.target.value,
                  place: methodById(event.target.value).use.places[0]!,
                  keepersEach: 0,
                },
              ])
            }
          >
            <option value="">Choose</option>
            {free.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
      )}
      <fieldset className="grid grid-cols-2 gap-2 border-t border-line pt-3">
        <legend className="sr-only">How it is reckoned</legend>
        <Field label="People expected" hint="Empty: those on the roster" error={fields.expected}>
          <input name="expected" inputMode="numeric" defaultValue={expected ?? ''} />
        </Field>
        <Field label="Confidence, %" error={fields['settings.confidence']}>
          <input name="confidence" inputMode="numeric" defaultValue={Math.round(settings.confidence * 100)} />
        </Field>
        <div className="col-span-2">
          <Field label="The promise is kept" error={fields['settings.aim']}>
            <select name="aim" defaultValue={settings.aim}>
              <option value="each">for each person, one by one</option>
              <option value="everybody">for everybody at once</option>
              <option value="pooled">for the group, sharing what is over</option>
            </select>
          </Field>
        </div>
        <Field label="Usable buds on a stick" error={fields['settings.usableBuds']}>
          <input name="usableBuds" inputMode="decimal" defaultValue={settings.usableBuds} />
        </Field>
        <Field label="Waste of scions, %" hint="Heel, tip, trimmed ends: a guess" error={fields['settings.waste']}>
          <input name="waste" inputMode="decimal" defaultValue={Math.round(settings.waste * 100)} />
        </Field>
        <Field label="People at a bench" error={fields['settings.peoplePerBench']}>
          <input name="peoplePerBench" inputMode="numeric" defaultValue={settings.peoplePerBench} />
        </Field>
        <Field label="Disinfectant a bench, l" error={fields['settings.disinfectant']}>
          <input name="disinfectant" inputMode="decimal" defaultValue={settings.disinfectant} />
        </Field>
        <Field label="Chlorine in the bottle, %" error={fields['settings.bottle']}>
          <input name="bottle" inputMode="decimal" defaultValue={settings.bottle} />
        </Field>
        <label className="flex min-h-11 items-center gap-2 self-end">
          <input type="checkbox" name="practiceWrapped" className="size-5" defaultChecked={settings.practiceWrapped} />
          Practice unions are wrapped
        </label>
      </fieldset>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        Save
      </button>
    </form>
  );
}
