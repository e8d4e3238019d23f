import { methodById } from '@/core/methods/registry';
import { dayTaught } from '@/server/plan/taught';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { RubricRow } from '@/db/models/score-rows';
import { getWorkshop } from '@/server/plan/workshops';
import type { Context } from '@/server/platform/context';
import { currentRubric } from './rubrics';
import { type ScoringSettings, scoringSettings } from './scoring-settings';

/** What a judgement is saved by, apart from its union. */
export interface ScoredDay {
  workshop: (id: string) => Promise<WorkshopRow>;
  /** The rubric of a method on that day. */
  rubric: (workshop: WorkshopRow, method: string) => Promise<RubricRow>;
  settings: (workshopId: string) => Promise<ScoringSettings>;
}

/** Reads of a day what its judgements are saved by, each thing once, for as long as one sending takes. */
export function scoredDay(context: Context): ScoredDay {
  const known = new Map<string, Promise<unknown>>();
  const once = <T>(key: string, read: () => Promise<T>): Promise<T> => {
    const found = (known.get(key) as Promise<T> | undefined) ?? read();
    known.set(key, found);
    // What could not be read is asked for anew by the next.
    found.catch(() => known.delete(key));
    return found;
  };
  return {
    workshop: (id) => once(`workshop ${id}`, () => getWorkshop(context, id)),
    rubric: (workshop, method) =>
      once(`rubric ${workshop.id} ${method}`, async () => {
        const { schoolsOf } = await dayTaught(context, workshop);
        return currentRubric(context, method, schoolsOf(methodById(method)));
      }),
    settings: (workshopId) => once(`settings ${workshopId}`, () => scoringSettings(context, workshopId)),
  };
}
