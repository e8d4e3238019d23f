import { v7 as uuid } from 'uuid';
import { seededRandom } from '@/core/chance/seeded-random';
import { addDays } from '@/core/units/iso-date';
import { livingUnions } from '@/server/aftercare/living-unions';
import { markTasks } from '@/server/aftercare/mark-tasks';
import { observeUnion } from '@/server/aftercare/observe-union';
import { putVisitRule } from '@/server/aftercare/visits';
import { unionPlans, type UnionWithPlan } from '@/server/aftercare/union-plans';
import type { Actor, Context } from '@/server/platform/context';

/** Heights that were measured in the bed, mm, by days since the day. */
const MEASURED = [
  [70, 60],
  [100, 210],
  [135, 390],
] as const;
/** Plants whose tie nobody took off. */
const TIES_LEFT = 3;

/**
 * What a guild did for its grafts until the day the demo is loaded: some shoots were measured, most tasks were done on
 * their best day by one or the other, some were missed, and a few ties were forgotten.
 */
export async function demoAftercare(
  as: (actor: Actor, now: Date) => Context,
  lead: Actor,
  assistant: Actor,
  workshop: { id: string; siteId: string; date: string },
  loadedAt: Date,
): Promise<void> {
  const today = loadedAt.toISOString().slice(0, 10);
  const plansNow = async (): Promise<UnionWithPlan[]> => {
    const context = as(lead, loadedAt);
    return unionPlans(context, await livingUnions(context, { workshopId: workshop.id }));
  };
  const random = seededRandom(16_16);
  for (const { union } of (await plansNow()).filter(({ ended }) => ended === null).filter((_, i) => i % 3 === 0))
    for (const [day, height] of MEASURED) {
      const seenOn = addDays(workshop.date, day);
      if (seenOn >= today) continue;
      const lengthMm = Math.round(height * (0.75 + random() * 0.5));
      const at = as(assistant, new Date(`${seenOn}T16:00:00Z`));
      await observeUnion(at, uuid(), { unionId: union.id, kind: 'height', lengthMm, seenOn });
    }
  // Done once, some recur: three times over.
  for (let pass = 0; pass < 3; pass++) {
    const plans = await plansNow();
    const left = new Set(plans.slice(0, TIES_LEFT).map(({ union }) => union.id));
    const byTask = new Map<string, { on: string; unionId: string; occurrence: number; task: string }[]>();
    for (const { union, tasks } of plans)
      for (const { id, due, state, occurrence, every } of tasks) {
        if (!['open', 'missed'].includes(state) || !due || due.best >= addDays(today, -10)) continue;
        if (pass > 0 && every === null) continue;
        if (id === 'binding-off' ? left.has(union.id) : random() < 0.08) continue;
        const key = `${id} ${due.best}`;
        byTask.set(key, [...(byTask.get(key) ?? []), { on: due.best, unionId: union.id, occurrence, task: id }]);
      }
    for (const marks of byTask.values()) {
      const { on } = marks[0]!;
      const who = random() < 0.6 ? assistant : lead;
      await markTasks(as(who, new Date(`${on}T15:00:00Z`)), uuid(), {
        marks: marks.map(({ unionId, task, occurrence }) => ({ unionId, task, occurrence })),
        outcome: 'done',
        on,
      });
    }
  }
  await putVisitRule(as(lead, loadedAt), workshop.siteId, { weekdays: [6], dates: [], most: null, version: 0 });
}
