'use client';

import { percent } from '@/core/units/percent';
import Link from 'next/link';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

interface Settings {
  ready: { last: number; score: number };
  blindRate: number;
  wall: 'names' | 'seats' | 'totals';
}

const RATES = [
  [0, 'none: one assessor, or no wish to compare'],
  [0.1, 'one in ten'],
  [0.2, 'one in five'],
  [0.5, 'every other'],
  [1, 'all'],
] as const;
const WALLS = [
  ['names', 'Names and seats'],
  ['seats', 'Seats only'],
  ['totals', 'Totals only: nobody can be told'],
] as const;

interface ScoringSettingsFormProps {
  workshopId: string;
  version: number;
  settings: Settings;
  mayChange: boolean;
}

/** When somebody is ready, how many unions are scored twice, and what the wall calls people by. */
export function ScoringSettingsForm(props: ScoringSettingsFormProps) {
  const [saved, setSaved] = useState(false);
  // Settings that were changed, here or by somebody else, are a form of their own; that they were saved is still said.
  return <SettingsOfVersion key={props.version} {...props} saved={saved} onSent={setSaved} />;
}

function SettingsOfVersion({
  workshopId,
  version,
  settings,
  mayChange,
  saved,
  onSent,
}: ScoringSettingsFormProps & { saved: boolean; onSent: (ok: boolean) => void }) {
  const [changeId, setChangeId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/score/rubric/settings-input').then(({ settingsInput }) => settingsInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/plan/scoring`, { changeId, version, ...values });
      setChangeId(uuid());
      onSent(sent?.ok ?? false);
    },
  );
  return (
    <form onSubmit={submit} className="flex max-w-2xl flex-col gap-5" noValidate>
      <Problem>{problem}</Problem>
      <fieldset className="board flex flex-wrap items-end gap-4" disabled={!mayChange}>
        <legend className="font-bold">Ready for living wood</legend>
        <div className="w-40">
          <Field label="Last practice unions" error={errors['ready.last']}>
            <input {...register('ready.last')} inputMode="numeric" defaultValue={settings.ready.last} />
          </Field>
        </div>
        <div className="w-40">
          <Field label="Each at this or more" error={errors['ready.score']}>
            <input {...register('ready.score')} inputMode="numeric" defaultValue={settings.ready.score} />
          </Field>
        </div>
        <p className="basis-full text-sm text-muted">
          And none of them with a fatal fault. A recut is left out. Who is ready may make keepers.
        </p>
      </fieldset>
      <fieldset className="board" disabled={!mayChange}>
        <legend className="font-bold">Unions scored by two</legend>
        <Field label="How many, drawn by chance" error={errors.blindRate}>
          <select {...register('blindRate')} defaultValue={settings.blindRate}>
            {RATES.map(([rate, words]) => (
              <option key={rate} value={rate}>
                {words}
              </option>
            ))}
            {!RATES.some(([rate]) => rate === settings.blindRate) && (
              <option value={settings.blindRate}>{percent(settings.blindRate)}</option>
            )}
          </select>
        </Field>
        <p className="mt-2 text-sm text-muted">
          Until the second assessor has scored such a union, nobody but the first sees its score: not on a page, not in
          a file, not on the wall. <Link href={`/workshops/${workshopId}/score/agreement`}>Agreement</Link> shows how
          far apart you are.
        </p>
      </fieldset>
      <WallChoice mayChange={mayChange} register={register} settings={settings} workshopId={workshopId} />
      {mayChange && (
        <div className="flex items-center gap-3">
          <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
            Save
          </button>
          <span role="status" className="font-bold">
            {saved && !busy ? 'Saved.' : ''}
          </span>
        </div>
      )}
    </form>
  );
}

interface WallChoiceProps {
  mayChange: boolean;
  register: UseFormRegister<FieldValues>;
  settings: Settings;
  workshopId: string;
}

/** What the wall calls people by. */
function WallChoice({ mayChange, register, settings, workshopId }: WallChoiceProps) {
  return (
    <fieldset className="board" disabled={!mayChange}>
      <legend className="font-bold">The wall</legend>
      {WALLS.map(([wall, words]) => (
        <label key={wall} className="flex min-h-11 items-center gap-2">
          <input
            type="radio"
            {...register('wall')}
            value={wall}
            defaultChecked={settings.wall === wall}
            className="size-5"
          />
          {words}
        </label>
      ))}
      <p className="text-sm text-muted">
        It shows how far the room is and never who is behind. <Link href={`/wall/${workshopId}`}>Open the wall</Link>.
      </p>
    </fieldset>
  );
}
