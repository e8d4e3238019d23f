import { type TiesInTime, tiesInTime, type TieFate } from '@/core/findings/care/ties-in-time';
import { isDrawn, type ToldAnswer, type ToldErrors, toldErrors } from '@/core/findings/care/told-and-looked';
import { groupedBy } from '@/core/units/grouped-by';
import { UNSET } from '@/db/unset';
import { remembered } from '@/server/club/remembered';
import { livingUnions } from '@/server/aftercare/living-unions';
import { unionPlans, type UnionWithPlan } from '@/server/aftercare/union-plans';
import type { Context } from '@/server/platform/context';

/** Tasks of unions made in one year, by how they ended. */
export interface TasksOfYear {
  year: number;
  done: number;
  notNeeded: number;
  leftUndone: number;
  missed: number;
  /** Share missed or left undone, of all whose time has come but those not needed. */
  missedShare: number | null;
}

/** How plants were cared for, to stand beside their take. */
export interface CareBoard {
  ties: TiesInTime[];
  tasks: TasksOfYear[];
  /** What growers told and somebody looked at: of what was drawn by lot, and of all. */
  drawn: ToldErrors;
  all: ToldErrors;
}

/** How plants were cared for: of a workshop, or of the club over the years. */
export function careBoard(context: Context, workshopId: string | null): Promise<CareBoard> {
  return remembered(context, 'how they were cared for', workshopId, (look) => makeCareBoard(look, workshopId));
}

async function makeCareBoard(context: Context, workshopId: string | null): Promise<CareBoard> {
  const plans = await unionPlans(context, await livingUnions(context, workshopId ? { workshopId } : {}));
  const today = plans[0]?.today ?? context.now.toISOString().slice(0, 10);
  const answers = await answersByRound(context, workshopId);
  const seed = context.actor.clubId;
  return {
    ties: tiesInTime(
      plans.flatMap((plan) => tieFate(plan) ?? []),
      today,
    ),
    tasks: tasksByYear(plans),
    drawn: toldErrors(answers, (told) => isDrawn(told, seed)),
    all: toldErrors(answers, () => true),
  };
}

const yearOf = ({ union }: UnionWithPlan): number => Number(union.madeOn.slice(0, 4));

/** What became of the tie round a union; nothing where it has none, or rots by itself. */
function tieFate(plan: UnionWithPlan): TieFate | null {
  const tie = plan.ties.find(({ id }) => id === 'union');
  if (!tie) return null;
  return {
    year: yearOf(plan),
    withUs: Boolean(plan.plant.withUs),
    latest: tie.latest,
    offOn: tie.state === 'off' ? tie.since : null,
    endedOn: plan.ended?.on ?? null,
  };
}

/** How tasks ended, by the year their unions were made in, latest first. */
function tasksByYear(plans: readonly UnionWithPlan[]): TasksOfYear[] {
  return [...groupedBy(plans, yearOf)]
    .map(([year, own]) => {
      const count = (is: (state: UnionWithPlan['tasks'][number]['state']) => boolean): number =>
        own.reduce((sum, { tasks }) => sum + tasks.filter(({ state }) => is(state)).length, 0);
      const marked = (outcome: 'done' | 'not-needed' | 'skipped'): number =>
        own.reduce((sum, { marks }) => sum + marks.filter((mark) => mark.outcome === outcome).length, 0);
      const [done, notNeeded, leftUndone, missed] = [
        marked('done'),
        marked('not-needed'),
        marked('skipped'),
        count((state) => state === 'missed'),
      ];
      const all = done + leftUndone + missed;
      return { year, done, notNeeded, leftUndone, missed, missedShare: all === 0 ? null : (leftUndone + missed) / all };
    })
    .filter(({ done, notNeeded, leftUndone, missed }) => done + notNeeded + leftUndone + missed > 0)
    .sort((a, b) => b.year - a.year);
}

/** All answers that stand, of one union to one round each. */
async function answersByRound({ db, actor: { clubId } }: Context, workshopId: string | null): Promise<ToldAnswer[][]> {
  const rounds = workshopId
    ? await db.rounds.findAll({ where: { clubId, workshopId }, attributes: ['id'], raw: true })
    : null;
  const reports = await db.reports.findAll({
    where: { clubId, setAsideAt: UNSET, ...(rounds ? { roundId: rounds.map(({ id }) => id) } : {}) },
    attributes: ['id', 'unionId', 'roundId', 'answer', 'seenOn', 'source'],
    order: [['turn', 'ASC']],
    raw: true,
  });
  return [...groupedBy(reports, ({ unionId, roundId }) => `${unionId} ${roundId}`).values()];
}
