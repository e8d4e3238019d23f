import { date, lazy, mixed, number, object, type ObjectSchema, string } from 'yup';
import type { Field } from '@/core/methods/field';
import type { Method } from '@/core/methods/method';
import type { Measures } from '@/core/methods/measures';
import type { Marks } from '@/core/scoring/judge-union';
import type { PointGrade } from '@/core/scoring/grade';
import { count, id } from './fields';

const GRADES: PointGrade[] = ['good', 'poor', 'recut', 'fatal', 'not-looked-at'];
const origin = string().oneOf(['measured', 'picked', 'assumed'] as const).required('Say where the figure comes from.');

/** A figure within what wood can have; what the pieces allow together is core's to say. */
function figure({ name, least, most, unit: kind }: Field) {
  const unit = kind === 'degrees' ? 'degrees' : 'mm';
  return object({
    value: number()
      .strict()
      .typeError(`Enter ${name} as a number.`)
      .required(`Enter ${name}.`)
      .test('finite', `Enter ${name} as a number.`, (value) => Number.isFinite(value))
      .min(least, least === 0 ? `${capital(name)} cannot be less than 0. Check the figure.` : `${capital(name)} must be ${least} ${unit} or more. Check the figure.`)
      .max(most, `${capital(name)} of more than ${most} ${unit} cannot be right. Check the figure and its unit.`),
    origin,
  });
}

function measure(field: Field) {
  if (!field.keepsPick) return figure(field);
  const message = `Choose ${field.name} again.`;
  return lazy((value: unknown) =>
    typeof value === 'object' && value !== null && 'pick' in value
      ? object({ pick: string().oneOf(field.picks!.map(({ id }) => id), message).required(message) })
      : figure(field),
  );
}

/** Measures of a union of a method: all of its fields and nothing else. */
export function measuresInput(method: Method): ObjectSchema<Measures> {
  return object(Object.fromEntries(method.fields.map((field) => [field.id, measure(field)]))) as unknown as ObjectSchema<Measures>;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

const marks = mixed<Marks>()
  .default({})
  .test('marks', 'A mark is not one of good, poor, recut, fatal or not looked at. Reload the page and mark it again.', (value) =>
    Object.entries(value ?? {}).every(([point, grade]) => /^[a-z-]{1,30}$/.test(point) && GRADES.includes(grade)),
  );

const instant = (what: string) => date().typeError(`Enter ${what}.`);

export const judgementInput = object({
  workshopId: id('the workshop'),
  seatId: id('the seat'),
  number: count('The number of the union', 1, 999),
  stage: string().oneOf(['joined', 'wrapped', 'keeper'] as const, 'Choose the stage.').required('Choose the stage.'),
  // Which figures there are is the method's to say; see measuresInput.
  measures: mixed<Record<string, unknown>>().required('Enter the measures of the union.').test('measures', 'The measures cannot be read. Enter them again.', (value) => typeof value === 'object' && !Array.isArray(value)),
  marks,
  note: string().trim().default('').max(500, 'Keep the note to 500 characters.'),
  deviceAt: instant('the time of the device').required('The time of the device is missing.'),
  correctsId: string().nullable().default(null).matches(/^[0-9a-f-]{36}$/, 'Choose the judgement to correct again.'),
  filledInAt: instant('when the sheet was filled in').nullable().default(null),
});

export type JudgementInput = {
  workshopId: string;
  seatId: string;
  number: number;
  stage: 'joined' | 'wrapped' | 'keeper';
  measures: Measures;
  marks: Marks;
  note: string;
  deviceAt: Date;
  correctsId: string | null;
  filledInAt: Date | null;
};
