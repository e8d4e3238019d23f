import { createHash } from 'node:crypto';
import { dueTasks } from '@/core/aftercare/week/due-tasks';
import { entryDay } from '@/core/aftercare/week/entry-day';
import { addDays, formatDate, type IsoDate } from '@/core/units/iso-date';
import type { Prose } from '@/core/units/prose';
import type { CalendarEvent } from '@/exchange/calendar';
import type { UnionWithPlan } from './union-plans';

/** Tasks whose day comes within so many days stand in a calendar that is subscribed to. */
const AHEAD = 400;

type DayEntry = Pick<CalendarEvent, 'title'> & Partial<Pick<CalendarEvent, 'description' | 'place'>> & { on: IsoDate };

/** An entry of one day with a reminder on its morning, which keeps its name for whoever subscribes. */
export function dayEntry(key: string, { on, title, description = '', place = '' }: DayEntry): CalendarEvent {
  const uid = `${createHash('sha256').update(key).digest('hex').slice(0, 32)}@pear-bench.invalid`;
  return {
    uid,
    sequence: 0,
    title,
    description,
    from: on,
    to: on,
    times: null,
    place,
    cancelled: false,
    reminds: true,
  };
}

/** In whose words entries are written. */
interface EntryWords {
  write: (words: Prose) => string;
  /** "Overdue: ..." of what is late. */
  overdue: (title: string) => string;
  otherwise: (missed: string) => string;
}

/**
 * What some plants want, an entry a task and lot on its best day, each with a reminder on the morning; nothing in the past but
 * what is overdue, which stands on today.
 *
 * @param whose names whoever subscribes, so that two who do keep entries apart
 */
export function ownEntries(
  plans: readonly UnionWithPlan[],
  whose: string,
  wanted: (task: string) => boolean,
  { write, overdue, otherwise }: EntryWords,
): CalendarEvent[] {
  const entries = new Map<string, CalendarEvent & { codes: string[] }>();
  for (const plan of plans)
    for (const due of dueTasks(plan.tasks, plan.ties, plan.today, addDays(plan.today, AHEAD))) {
      if (!wanted(due.task)) continue;
      const { union, wood, called, site, today } = plan;
      const key = [whose, wood.id, union.method, union.variant, union.madeOn, due.task, due.due.best].join(' ');
      const known = entries.get(key);
      if (known) {
        known.codes.push(called);
        continue;
      }
      const name = write(due.name);
      const entry = dayEntry(key, {
        on: entryDay(due, today),
        title: due.late || due.alarm ? overdue(name) : name,
        description: [
          `${formatDate(due.due.from)} – ${formatDate(due.due.to)}`,
          due.missed === null ? '' : otherwise(write(due.missed)),
        ]
          .filter(Boolean)
          .join('. '),
        place: site.name,
      });
      entries.set(key, { ...entry, codes: [called] });
    }
  return [...entries.values()].map(({ codes, ...entry }) => ({
    ...entry,
    title: `${entry.title} (${[...new Set(codes)].join(', ')})`,
  }));
}
