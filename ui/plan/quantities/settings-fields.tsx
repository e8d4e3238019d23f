'use client';

import type { FieldValues, UseFormRegister } from 'react-hook-form';
import { Field } from '@/ui/kit/form/field';

interface SettingsFieldsProps {
  register: UseFormRegister<FieldValues>;
  errors: Record<string, string | undefined>;
}

/** How sure the promise shall be, and what the quantities are reckoned with. */
export function SettingsFields({ register, errors }: SettingsFieldsProps) {
  return (
    <fieldset className="grid grid-cols-2 gap-2 border-t border-line pt-3">
      <legend className="sr-only">How it is reckoned</legend>
      <Field label="People expected" hint="Empty: those on the roster" error={errors.expected}>
        <input {...register('expected')} inputMode="numeric" />
      </Field>
      <Field label="Confidence, %" error={errors['settings.confidence']}>
        <input {...register('settings.confidence')} inputMode="numeric" />
      </Field>
      <div className="col-span-2">
        <Field label="The promise is kept" error={errors['settings.aim']}>
          <select {...register('settings.aim')}>
            <option value="each">for each person, one by one</option>
            <option value="everybody">for everybody at once</option>
            <option value="pooled">for the group, sharing what is over</option>
          </select>
        </Field>
      </div>
      <Field label="Usable buds on a stick" error={errors['settings.usableBuds']}>
        <input {...register('settings.usableBuds')} inputMode="decimal" />
      </Field>
      <Field label="Waste of scions, %" hint="Heel, tip, trimmed ends: a guess" error={errors['settings.waste']}>
        <input {...register('settings.waste')} inputMode="decimal" />
      </Field>
      <Field label="People at a bench" error={errors['settings.peoplePerBench']}>
        <input {...register('settings.peoplePerBench')} inputMode="numeric" />
      </Field>
      <Field label="Disinfectant a bench, l" error={errors['settings.disinfectant']}>
        <input {...register('settings.disinfectant')} inputMode="decimal" />
      </Field>
      <Field label="Chlorine in the bottle, %" error={errors['settings.bottle']}>
        <input {...register('settings.bottle')} inputMode="decimal" />
      </Field>
      <label className="flex min-h-11 items-center gap-2 self-end">
        <input type="checkbox" {...register('settings.practiceWrapped')} className="size-5" />
        Practice unions are wrapped
      </label>
    </fieldset>
  );
}
