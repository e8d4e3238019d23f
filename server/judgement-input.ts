import { date, lazy, mixed, number, object, type ObjectSchema, string } from 'yup';
import { type Field, rangeProblem } from '@/core/methods/field';
import type { Method } from '@/core/methods/method';
import type { Measures } from '@/core/methods/measures';
import type { Marks } from '@/core/scoring/judge-union';
import type { PointGrade } from '@/core/scoring/grade';
import { count, flag, id } from './fields';

const GRADES: PointGrade[] = ['good', 'poor', 'recut', 'fatal', 'not-looked-at'];
const origin = string().oneOf(['measured', 'picked', 'assumed'] as const).required('Say where the figure comes from.');

/** A figure within what wood can have; what the pieces allow together is core's to say. */
function figure(field: Field) {
  const { name } = field;
  return object({
    value: number()
      .strict()
      .typeError(`Enter ${name} as a number.`)
      .required(`Enter ${name}.`)
      .test('finite', `Enter ${name} as a number.`, (value) => Number.isFinite(value))
      .test('range', ({ value }) => rangeProblem(field, value as number) ?? '', (value) => value === undefined || !Number.isFinite(value) || rangeProblem(field, value) === null),
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

export const marks = mixed<Marks>()
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
  /** Who made it on the device, which may have been signed in to by another since. */
  assessorId: string().nullable().default(null).matches(/^[0-9a-f-]{36}$/, 'The assessor’s identity is damaged. Sign in again.'),
  /** What the device's clock showed when it sent this, to put its times right. */
  sentAt: instant('when it was sent').nullable().default(null),
  seconds: number().nullable().default(null).integer('Whole seconds.').min(0, 'A time cannot be less than 0.').transform((value: number | null) => (value === null || Number.isNaN(value) ? value : Math.min(value, 86_400))),
  strokes: number().nullable().default(null).integer('Whole strokes.').min(0, 'Strokes cannot be fewer than 0.').max(999, 'More than 999 strokes cannot be right.'),
  /** Scored as the second assessor of a union, without having seen the first score. */
  second: flag().default(false),
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
  assessorId: string | null;
  sentAt: Date | null;
  seconds: number | null;
  strokes: number | null;
  second: boolean;
};
