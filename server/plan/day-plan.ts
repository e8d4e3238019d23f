import { type DayPlan, minutesOf, USUAL_DAY, type Work } from '@/core/plan/benches/time-plan';
import { methodById } from '@/core/methods/registry';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { type Part, putPart, readPart } from './plan-parts';
import type { MethodsPart } from './planned-methods';
import { UseCaseError } from '@/server/platform/use-case-error';
import { dayInput } from '@/core/plan/benches/day-input';

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
