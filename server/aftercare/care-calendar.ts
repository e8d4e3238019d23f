import { createHash } from 'node:crypto';
import { dueTasks } from '@/core/aftercare/week/due-tasks';
import { counted } from '@/core/units/counted';
import { addDays } from '@/core/units/iso-date';
import { written } from '@/core/units/prose';
import { calendarFile } from '@/exchange/calendar';
import { allow, type Context } from '@/server/platform/context';
import { CARE, type GivenOut, rememberEntries } from '@/server/plan/calendar-entries';
import { livingUnions } from './living-unions';
import { unionPlans, type UnionWithPlan } from './union-plans';
import { groupedBy } from '@/core/units/grouped-by';

/** Tasks that begin within so many days stand in the file. */
const AHEAD = 400;

/** A task of one lot, as the file has it. */
interface CareEntry extends GivenOut {
  description: string;
  place: string;
  plants: number;
}

/**
 * What is due on all plants of the club as iCalendar: one entry a lot and task, which keeps its UID however its days move
 * or its plants become fewer, and comes as cancelled once nothing of it is open.
 */
export async function careCalendar(context: Context): Promise<string> {
  allow(context, 'viewer');
  const plans = await livingUnions(context).then((unions) => unionPlans(context, unions));
  const byWorkshop = groupedBy(plans, ({ workshop }) => workshop.id);
  const events = [];
  for (const [workshopId, own] of byWorkshop) {
    const entries = careEntries(context, own);
    const rows = await rememberEntries(context, workshopId, entries, (entry) => entry.startsWith(CARE));
    for (const row of rows) {
      const known = entries.find(({ entry }) => entry === row.entry);
      events.push({
        uid: `${workshopId}.${row.entry}@pear-bench.invalid`,
        sequence: row.sequence,
        title: known?.title ?? row.title,
        cancelled: row.cancelled,
        description: known?.description ?? '',
        from: row.fromDate,
        to: row.toDate,
        times: null,
        place: known?.place ?? '',
      });
    }
  }
  return calendarFile('Care of grafts', events);
}

function careEntries({ actor }: Context, plans: readonly UnionWithPlan[]): CareEntry[] {
  const entries = new Map<string, CareEntry & { name: string; variety: string }>();
  for (const { union, wood, site, tasks, ties, today } of plans)
    for (const due of dueTasks(tasks, ties, today, addDays(today, AHEAD))) {
      const name = written(due.name, actor.lengthUnit);
      // Not the task's words: they follow the reader's unit.
      const key = [wood.id, union.method, union.variant, union.madeOn, due.task].join(' ');
      const entry = `${CARE}${createHash('sha256').update(key).digest('hex').slice(0, 16)}`;
      const known = entries.get(entry);
      if (known) {
        known.plants++;
        if (due.due.from < known.from) known.from = due.due.from;
        if (due.due.to > known.to) known.to = due.due.to;
      } else
        entries.set(entry, {
          entry,
          from: due.due.from,
          to: due.due.to,
          title: '',
          content: [],
          description: due.missed === null ? '' : `Otherwise: ${written(due.missed, actor.lengthUnit)}`,
          place: site.name,
          plants: 1,
          name,
          variety: wood.variety,
        });
    }
  return [...entries.values()].map((entry) => ({
    ...entry,
    title: `${entry.name} (${counted(entry.plants, 'plant')} of ${entry.variety})`,
    content: [entry.description, entry.place],
  }));
}
