'use client';

import { useEffect, useRef } from 'react';
import {
  type FieldErrors,
  type FieldValues,
  type Resolver,
  useForm,
  type UseFormReset,
  type UseFormSetFocus,
} from 'react-hook-form';
import type { AnyObjectSchema, Schema } from 'yup';
import { deviceNow } from '@/ui/kit/device/device-clock';
import { useSend } from './use-send';

interface Saving {
  run: ReturnType<typeof useSend>['run'];
  reset: UseFormReset<FieldValues>;
  setFocus: UseFormSetFocus<FieldValues>;
  setProblem: ReturnType<typeof useSend>['setProblem'];
}

interface Entry {
  /** What stands in the fields that have no `defaultValue` of their own. */
  starts?: FieldValues;
  /** Makes of what is typed what the schema reads, where a figure is typed otherwise than it is kept. */
  read?: (typed: FieldValues) => FieldValues;
}

const asTyped = (typed: FieldValues): FieldValues => typed;

/**
 * A form read by the schema the server reads it by, which is loaded after the page: what that refuses is said beside its field before anything is sent,
 * and what only the server can refuse beside it afterwards. Values go as they were typed; the server reads them again.
 */
export function useEntry(
  load: () => Promise<Schema>,
  save: (values: FieldValues, saving: Saving) => Promise<void>,
  { starts, read = asTyped }: Entry = {},
) {
  const { run, busy, problem, setProblem } = useSend();
  const first = useRef(load);
  // After the page is shown, and before anybody is done typing: without reception it is there then.
  useEffect(() => void reader(first.current).catch(() => undefined), []);
  const resolver: Resolver<FieldValues> = async (typed, _context, options) => {
    let check;
    try {
      check = await reader(load);
    } catch {
      const message = 'What checks this form could not be loaded. Nothing was sent; try again once there is reception.';
      return { values: {}, errors: { root: { type: 'load', message } } };
    }
    // Days lie within bounds of the moment they are entered at.
    return check(read(typed), { now: deviceNow() }, options);
  };
  const { register, control, handleSubmit, reset, setFocus, getValues, watch, formState } = useForm<FieldValues>({
    resolver,
    ...(starts ? { defaultValues: starts } : {}),
    // What leaves the page leaves the form, as it does with a form of the browser's own.
    shouldUnregister: !starts,
  });
  const refused = sayings(formState.errors);
  const submit = handleSubmit(
    (values) => save(values, { run, reset, setFocus, setProblem }),
    () => setProblem(null),
  );
  return {
    register,
    control,
    submit: (event: React.FormEvent<HTMLFormElement>): void => void submit(event),
    errors: { ...problem?.fields, ...Object.fromEntries(refused) } as Record<string, string | undefined>,
    problem: refused[0]?.[1] ?? problem?.message,
    busy,
    run,
    reset,
    getValues,
    watch,
    setProblem,
  };
}

/** The schema as the form's library asks it. */
async function reader(load: () => Promise<Schema>): Promise<Resolver<FieldValues>> {
  const [schema, { yupResolver }] = await Promise.all([load(), import('@hookform/resolvers/yup')]);
  return yupResolver(schema as AnyObjectSchema, {}, { raw: true }) as Resolver<FieldValues>;
}

/** Refusals by the path the server names a field by: `settings.waste`, `methods[0].place`. */
function sayings(errors: FieldErrors, path = ''): [string, string][] {
  return Object.entries(errors).flatMap(([name, error]): [string, string][] => {
    const here = /^\d+$/.test(name) ? `${path}[${name}]` : path === '' ? name : `${path}.${name}`;
    if (!error) return [];
    if (typeof error.message === 'string') return [[here, error.message]];
    return sayings(error as FieldErrors, here);
  });
}
