import { array, object, string } from 'yup';
import { simulatedLog } from '@/stand-ins/logger/simulated-logger';
import { allow, type Context } from '@/server/platform/context';
import { decimal, isoDate, optionalText } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';

const FAULTS = ['warm-days', 'gap', 'repeats', 'disorder'] as const;
const orderInput = object({
  from: isoDate('the first day'),
  days: decimal()
    .typeError('Enter the days in figures.')
    .required('Enter the days.')
    .integer()
    .min(1, 'One day or more.')
    .max(200, '200 days at most.'),
  target: decimal()
    .typeError('Enter the temperature in figures.')
    .required('Enter the temperature.')
    .min(-20, '-20 °C or more.')
    .max(40, '40 °C or less.'),
  everyMinutes: decimal()
    .typeError('Enter the minutes in figures.')
    .integer('Enter whole minutes.')
    .min(1, 'A minute or more.')
    .max(240, 'Four hours at most.')
    .default(30),
  name: optionalText('the name of the logger', 60),
  unit: string()
    .oneOf(['C', 'F'] as const)
    .default('C'),
  faults: array(string().oneOf(FAULTS).required()).default([]),
});

/** A log of the simulated logger. */
export function simulatedLogCsv(context: Context, input: unknown): string {
  allow(context, 'viewer');
  const values = parse(orderInput, input, context.now);
  return simulatedLog({
    ...values,
    from: `${values.from}T00:00:00Z`,
    ...(values.name === '' ? { name: undefined } : {}),
    faults: values.faults as (typeof FAULTS)[number][],
  });
}
