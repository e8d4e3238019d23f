import { date, type InferType, lazy, mixed, number, object, type ObjectSchema, string } from 'yup';
import { type Field, rangeProblem } from '@/core/methods/field';
import type { Method } from '@/core/methods/method';
import type { LengthUnit } from '@/core/units/length';
import type { Measures } from '@/core/methods/measures';
import { METHODS } from '@/core/methods/registry';
import { VARIANTS } from '@/core/methods/use';
import { OUTLOOKS, OUTLOOK_TELLERS } from '@/core/score/rubric/outlook';
import type { Marks } from '@/core/score/rubric/judge-union';
import type { Sending, SentJudgement } from '@/core/score/rubric/sent-judgement';
import type { PointGrade } from '@/core/contact/grade';
import { pointsOf } from '@/core/methods/shown-technique';
import { count, flag, id, isPlainObject, optionalId, trimmed, decimal } from '@/core/inputs/fields';

const GRADES: PointGrade[] = ['good', 'poor', 'recut', 'fatal', 'not-looked-at'];
const origin = string()
  .oneOf(['measured', 'picked', 'assumed'] as const)
  .required('Say where the figure comes from.');

/** A figure within what wood can have; what the pieces allow together is core's to say. */
function figure(field: Field, unit: LengthUnit) {
  const { name } = field;
  return object({
    value: number()
      .strict()
      .typeError(`Enter ${name} as a number.`)
      .required(`Enter ${name}.`)
      .test('finite', `Enter ${name} as a number.`, (value) => Number.isFinite(value))
      .test(
        'range',
        ({ value }) => rangeProblem(field, value as number, unit) ?? '',
        (value) => value === undefined || !Number.isFinite(value) || rangeProblem(field, value, unit) === null,
      ),
    origin,
  });
}

function measure(field: Field, unit: LengthUnit) {
  // A device that was away knows no figure that came since; it is assumed, as for whoever does not look it up.
  if (field.place === 'further') return figure(field, unit).default(undefined);
  if (!field.keepsPick) return figure(field, unit);
  const message = `Choose ${field.name} again.`;
  return lazy((value: unknown) =>
    typeof value === 'object' && value !== null && 'pick' in value
      ? object({
          pick: string()
            .oneOf(
              field.picks!.map(({ id }) => id),
              message,
            )
            .required(message),
        })
      : figure(field, unit),
  );
}

/** Measures of a union of a method: its fields and nothing else; refused in the unit of whoever sends them. */
export function measuresInput(method: Method, unit: LengthUnit): ObjectSchema<Measures> {
  return object(
    Object.fromEntries(method.fields.map((field) => [field.id, measure(field, unit)])),
  ) as unknown as ObjectSchema<Measures>;
}

const MARK_PROBLEM =
  'A mark is not one of good, poor, recut, fatal or not looked at. Reload the page and mark it again.';

/** Marks on the points of a method, whichever schools are followed; no other points, and each graded in words of ours. */
export function marksInput(method: Method): ObjectSchema<Marks> {
  const known = pointIds(method);
  return mixed<Marks>()
    .default({})
    .test(
      'marks',
      MARK_PROBLEM,
      (value) =>
        value === undefined || (isPlainObject(value) && Object.values(value).every((grade) => GRADES.includes(grade))),
    )
    .test(
      'points',
      'A mark is on a point that this method does not have. Reload the page and mark it again.',
      (value) => !isPlainObject(value) || Object.keys(value).every((point) => known.has(point)),
    ) as unknown as ObjectSchema<Marks>;
}

/** Ids of the points that a method is judged by, under any answer of any of its schools. */
function pointIds(method: Method): Set<string> {
  let ids = idsOf.get(method);
  if (!ids) idsOf.set(method, (ids = allPointIds(method)));
  return ids;
}
/** Found once: every judgement asks, and methods do not change. */
const idsOf = new WeakMap<Method, Set<string>>();

function allPointIds(method: Method): Set<string> {
  const choices = method.schools.flatMap(({ id, options }) => options.map((option) => ({ [id]: option.id })));
  return new Set([{}, ...choices].flatMap((choice) => pointsOf(method, choice).map((point) => point.id)));
}

/** Clocks of devices can be years off; beyond these years it is no clock. */
const CLOCKS = { from: new Date('1970-01-01T00:00:00Z'), to: new Date('2200-01-01T00:00:00Z') };

const instant = (what: string) =>
  date()
    .typeError(`Enter ${what}.`)
    .min(CLOCKS.from, `Check ${what}: it lies before 1970.`)
    .max(CLOCKS.to, `Check ${what}: it lies too far ahead.`);

const fields = {
  workshopId: id('the workshop'),
  seatId: id('the seat'),
  kind: string()
    .oneOf(['practice', 'keeper'] as const, 'Say whether it is a practice union or a keeper.')
    .default('practice'),
  number: count('the number of the union', 1, 999),
  unionId: optionalId('the keeper'),
  method: string()
    .nullable()
    .default(null)
    .oneOf([null, ...METHODS.map((method) => method.id)], 'Choose the method from the list.'),
  variant: string()
    .nullable()
    .default(null)
    .oneOf([null, ...VARIANTS], 'Choose the method again.'),
  stage: string()
    .oneOf(['joined', 'wrapped', 'keeper'] as const, 'Choose the stage.')
    .required('Choose the stage.'),
  // Which figures there are is the method's to say; see measuresInput.
  measures: mixed<Record<string, unknown>>()
    .required('Enter the measures of the union.')
    .test('measures', 'The measures cannot be read. Enter them again.', isPlainObject),
  // Which points and grades there are is the method's to say; see marksInput.
  marks: mixed<Record<string, unknown>>().default({}),
  note: trimmed().default('').max(500, 'Keep the note to 500 characters.'),
  deviceAt: instant('the time of the device').required('The time of the device is missing.'),
  correctsId: optionalId('the judgement to correct'),
  filledInAt: instant('when the sheet was filled in').nullable().default(null),
  /** Who made it on the device, which may have been signed in to by another since. */
  assessorId: optionalId('the assessor'),
  /** What the device's clock showed when it sent this, to put its times right. */
  sentAt: instant('when it was sent').nullable().default(null),
  seconds: decimal()
    .nullable()
    .default(null)
    .integer('Whole seconds.')
    .min(0, 'A time cannot be less than 0.')
    .transform((value: number | null) => (value === null || Number.isNaN(value) ? value : Math.min(value, 86_400))),
  strokes: decimal()
    .nullable()
    .default(null)
    .integer('Whole strokes.')
    .min(0, 'Strokes cannot be fewer than 0.')
    .max(999, 'More than 999 strokes cannot be right.'),
  outlook: string()
    .nullable()
    .default(null)
    .oneOf([null, ...OUTLOOKS], 'Say surely, perhaps or hardly.'),
  outlookBy: string()
    .nullable()
    .default(null)
    .oneOf([null, ...OUTLOOK_TELLERS], 'Say who holds so, the maker or the assessor.'),
  /** Scored as the second assessor of a union, without having seen the first score. */
  second: flag().default(false),
} satisfies Record<keyof SentJudgement | keyof Sending, unknown>;

export const judgementInput = object(fields);

/** A judgement as the schema reads it: times as dates; its measures and marks still to be held against its method. */
export type ReadJudgement = InferType<typeof judgementInput>;

/** The same once they were. */
export type JudgementInput = Omit<ReadJudgement, 'measures' | 'marks'> & Pick<SentJudgement, 'measures' | 'marks'>;
