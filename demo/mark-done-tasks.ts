import { v7 as uuid } from 'uuid';
import { addDays, type IsoDate } from '@/core/units/iso-date';
import { livingUnions } from '@/server/aftercare/living-unions';
import { markTasks } from '@/server/aftercare/mark-tasks';
import { unionPlans } from '@/server/aftercare/union-plans';
import type { Actor, Context } from '@/server/platform/context';

interface Care {
  today: IsoDate;
  madeOn: IsoDate;
  /** Whether the tie of a union was left on for long. */
  leaves: (unionId: string) => boolean;
  /** Days after the day on which such ties came off at last. */
  late: number;
}

/** Times that tasks which recur were done. */
const TIMES = 3;

/** Tasks of a workshop's keepers, done on their best day; ties that were left come off long after. */
export async function markDoneTasks(
  { as, lead, assistant }: { as: (actor: Actor, now: Date) => Context; lead: Actor; assistant: Actor },
  workshopId: string,
  { today, madeOn, leaves, late }: Care,
): Promise<void> {
  const now = as(lead, new Date(`${today}T08:00:00Z`));
  for (let time = 0; time < TIMES; time++) {
    const byDay = new Map<string, { unionId: string; task: string; occurrence: number }[]>();
    for (const { union, tasks, ties } of await unionPlans(now, await livingUnions(now, { workshopId }))) {
      const offs = new Set(ties.map(({ offTask }) => offTask));
      for (const { id, due, latest, state, occurrence, every } of tasks) {
        const day = due?.best ?? latest;
        if (!['open', 'missed'].includes(state) || !day || (time > 0 && every === null)) continue;
        const on = offs.has(id) && leaves(union.id) ? addDays(madeOn, late) : day;
        if (on >= addDays(today, -10)) continue;
        byDay.set(on, [...(byDay.get(on) ?? []), { unionId: union.id, task: id, occurrence }]);
      }
    }
    for (const [on, marks] of byDay)
      await markTasks(as(assistant, new Date(`${on}T16:00:00Z`)), uuid(), { marks, outcome: 'done', on });
  }
}
