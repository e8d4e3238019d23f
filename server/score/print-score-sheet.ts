import { daySchools } from '@/server/plan/taught';
import { printJob } from '@/server/jobs/run-job';
import type { Context } from '@/server/platform/context';
import { currentRule } from '@/server/teach/current-rule';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { paperInput } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { listSeats } from '@/server/plan/seats';
import { getWorkshop } from '@/server/plan/workshops';

/** A sheet to score by hand, a line for each seat that is present. */
export async function printScoreSheet(context: Context, workshopId: string, input: unknown): Promise<Buffer> {
  const workshop = await getWorkshop(context, workshopId);
  const values = parse(paperInput, input);
  const seats = (await listSeats(context, workshopId))
    .filter(({ absent }) => !absent)
    .map(({ number: seat, person }) => ({ number: seat, name: person.name ?? ERASED_NAME }));
  const rule = await currentRule(context, workshop.method, await daySchools(context, workshop));
  return printJob(
    'print score sheet',
    {
      method: workshop.method,
      rule,
      title: workshop.title,
      date: workshop.date,
      seats,
      unit: context.actor.lengthUnit,
    },
    values.paper,
  );
}
