import { number, object, string } from 'yup';
import { type DayPlan, minutesOf, USUAL_DAY, type Work } from '@/core/plan/benches/time-plan';
import { methodById } from '@/core/methods/registry';
import { allow, type Context } from '@/server/platform/context';
import { count } from '@/server/platform/fields';
import { parse } from '@/server/platform/parse';
import { type Part, putPart, readPart } from './plan-parts';
import type { MethodsPart } from './planned-methods';
import { UseCaseError } from '@/server/platform/use-case-error';

const time = (what: string) =>
  string()
    .required(`Enter ${what}.`)
    .matches(/^([01]?\d|2[0-3]):[0-5]\d$/, `Enter ${what} as hours and minutes, such as 09:30.`);
const part = (what: string, least: number, most: number) =>
  number()
    .typeError(`Enter ${what} in figures.`)
    .required(`Enter ${what}.`)
    .min(least, `${what} must be ${least} or more.`)
    .max(most, `${what} must be ${most} or less.`);

const dayInput = object({
  start: time('when it starts'),
  end: time('when it ends'),
  briefing: count('Minutes of the briefing', 0, 240),
  demonstration: count('Minutes of showing a method', 0, 240),
  firstUnion: part('Minutes of a first union', 1, 120),
  falling: part('The factor at each doubling', 0.4, 1),
  breakEvery: count('Minutes between breaks', 0, 600),
  breakLength: count('Minutes of a break', 0, 120),
  lunchAt: time('when midday is'),
  lunch: count('Minutes at midday', 0, 240),
  clearing: count('Minutes of clearing', 0, 240),
  knives: number()
    .nullable()
    .default(null)
    .transform((value, original) => (original === '' ? null : value))
    .typeError('Enter the number of knives in figures.')
    .integer('Enter a whole number of knives.')
    .min(1, 'Without a knife nobody cuts: enter one or more, or leave it empty.')
    .max(500, 'More than 500 knives cannot be right.'),
});

/** How the day runs; the usual one before anybody planned it. */
export async function dayPlan(context: Context, workshopId: string): Promise<Part<DayPlan> & { body: DayPlan }> {
  const { version, body } = await readPart<DayPlan>(context, workshopId, 'day');
  return { version, body: { ...USUAL_DAY, ...body } };
}

export async function putDayPlan(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  const values = parse(dayInput, input);
  const body: DayPlan = { ...values, knives: values.knives ?? null };
  if (minutesOf(body.end) <= minutesOf(body.start))
    throw new UseCaseError('invalid', 'The day ends before it starts. Mend one of the two times.', {
      end: 'After the start.',
    });
  return putPart(context, workshopId, 'day', input, body);
}

/** The work of a day from what is taught. */
export function workOf(plan: MethodsPart, keepersOf: (method: string) => number): Work[] {
  return plan.methods.map(({ method, practiceEach }) => ({
    method: methodById(method).name,
    practice: practiceEach,
    keepers: keepersOf(method),
  }));
}
