import { printJob } from '@/server/jobs/run-job';
import { remembered } from '@/server/club/remembered';
import { POSITION_WORDS } from '@/core/methods/position';
import { madeWords } from '@/core/methods/made-words';
import { bestVisits } from '@/core/aftercare/visits/best-visits';
import { fewestVisits, type VisitWindow } from '@/core/aftercare/visits/fewest-visits';
import { visitRuleInput } from '@/core/aftercare/visits/visit-rule-input';
import type {
  SiteVisits,
  Unreached,
  Visit,
  VisitRowLine,
  VisitSheet,
  VisitTaskLine,
} from '@/core/aftercare/visits/visit-sheet';
import { type DueTask, dueTasks } from '@/core/aftercare/week/due-tasks';
import { ALWAYS_BROUGHT, isRowTask, minutesTogether, toolsFor } from '@/core/aftercare/week/minutes';
import { addDays, daysBetween } from '@/core/units/iso-date';
import { written } from '@/core/units/prose';
import type { VisitRuleRow } from '@/db/models/aftercare-rows';
import { transact } from '@/db/transact';
import { paperInput } from '@/core/inputs/fields';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { getSite, listSites } from '@/server/club/sites';
import { livingUnions } from './living-unions';
import { unionPlans, type UnionWithPlan } from './union-plans';
import { groupedBy } from '@/core/units/grouped-by';

/** Visits are planned so far ahead: what comes later hangs on a spring that nobody has seen. */
export const VISIT_DAYS = 120;

/** A task of one union with the days it can be done on, counted from today. */
interface OpenTask {
  plan: UnionWithPlan;
  due: DueTask;
  window: VisitWindow;
}

/** Every site with plants under care: on which days one can go, the fewest that serve all, and what none reaches. */
export function siteVisits(context: Context): Promise<SiteVisits[]> {
  return remembered(context, 'visits', null, (look) => makeSiteVisits(look));
}

async function makeSiteVisits(context: Context): Promise<SiteVisits[]> {
  allow(context, 'viewer');
  const [sites, rules, plans] = await Promise.all([
    listSites(context),
    context.db.visitRules.findAll({ where: { clubId: context.actor.clubId }, raw: true }),
    livingUnions(context).then((unions) => unionPlans(context, unions)),
  ]);
  return sites.flatMap((site) => {
    const here = plans.filter((plan) => plan.site.id === site.id);
    if (here.length === 0) return [];
    const rule = rules.find(({ siteId }) => siteId === site.id) ?? null;
    const tasks = openTasks(here);
    const { visits, unreached } = rule ? visitsOf(rule, tasks, here[0]!.today) : { visits: [], unreached: [] };
    return [
      {
        siteId: site.id,
        site: site.name,
        plants: new Set(here.map(({ plant }) => plant.id)).size,
        today: here[0]!.today,
        rule: rule && { weekdays: rule.weekdays, dates: rule.dates, most: rule.most, version: rule.version },
        open: tasks.length,
        visits,
        unreached: unreachedOf(context, unreached),
      },
    ];
  });
}

/** The visits of a site that fall within some days, from plans that were made already. */
export function visitsUntil(rule: VisitRuleRow, plans: readonly UnionWithPlan[], until: string): Visit[] {
  const here = plans.filter(({ site }) => site.id === rule.siteId);
  const [first] = here;
  return first ? visitsOf(rule, openTasks(here), first.today).visits.filter(({ on }) => on <= until) : [];
}

/** What can be done in the months ahead, with its window; what is late can be done on any day from today. */
function openTasks(plans: readonly UnionWithPlan[]): OpenTask[] {
  return plans.flatMap((plan) =>
    dueTasks(plan.tasks, plan.ties, plan.today, addDays(plan.today, VISIT_DAYS - 1)).map((due): OpenTask => {
      const [from, to] = [due.due.from, due.alarm || due.late ? addDays(plan.today, LATE_BY) : due.due.to];
      const day = (date: string): number => daysBetween(plan.today, date);
      return { plan, due, window: [Math.max(0, day(from)), Math.max(0, day(to))] };
    }),
  );
}
/** What is late already is to be done within so many days. */
const LATE_BY = 14;

function visitsOf(
  rule: VisitRuleRow,
  tasks: readonly OpenTask[],
  today: string,
): { visits: Visit[]; unreached: OpenTask[] } {
  const candidates = daysOne(rule, today);
  const windows = tasks.map(({ window }) => window);
  const fewest = fewestVisits(candidates, windows);
  const days =
    rule.most === null || fewest.days.length <= rule.most
      ? fewest.days
      : bestVisits(
          candidates,
          tasks.map(({ window, due }) => ({ window, alarm: due.alarm })),
          rule.most,
        );
  const on = (day: number): OpenTask[] => tasks.filter(({ window: [from, to] }) => day >= from && day <= to);
  const served = new Set<OpenTask>();
  const visits = [...days]
    .sort((a, b) => a - b)
    .map((day): Visit => {
      const fresh = on(day).filter((task) => !served.has(task));
      fresh.forEach((task) => served.add(task));
      return {
        on: addDays(today, day),
        plants: new Set(fresh.map(({ plan }) => plan.plant.id)).size,
        tasks: fresh.filter(({ due }) => !isRowTask(due.task)).length + rowLines(fresh).length,
        alarms: fresh.filter(({ due }) => due.alarm).length,
        minutes: minutesTogether(fresh.map(({ due }) => due.task)),
      };
    });
  return { visits, unreached: tasks.filter((task) => !served.has(task)) };
}

/** Days from today on on which one can go, as numbers. */
function daysOne({ weekdays, dates }: Pick<VisitRuleRow, 'weekdays' | 'dates'>, today: string): number[] {
  const days = Array.from({ length: VISIT_DAYS }, (_, day) => day);
  if (weekdays.length === 0 && dates.length === 0) return days;
  const weekday = (day: number): number => new Date(`${addDays(today, day)}T00:00:00Z`).getUTCDay() || 7;
  return days.filter((day) => weekdays.includes(weekday(day)) || dates.includes(addDays(today, day)));
}

function unreachedOf({ actor }: Context, tasks: readonly OpenTask[]): Unreached[] {
  const groups = new Map<string, Unreached>();
  for (const { plan, due } of tasks) {
    const name = written(due.name, actor.lengthUnit);
    const key = `${name} ${due.due.from} ${due.due.to} ${plan.wood.variety}`;
    const known = groups.get(key);
    if (known) known.plants++;
    else groups.set(key, { name, variety: plan.wood.variety, from: due.due.from, to: due.due.to, plants: 1 });
  }
  return [...groups.values()].sort((a, b) => (a.from < b.from ? -1 : 1));
}

/**
 * The sheet of one visit: by plant, in walking order, all that is done with the knife in hand, and the tools to bring. Of
 * each task the first visit of the plan that falls into its window serves it.
 *
 * @throws UseCaseError for a day that is no visit of the plan
 */
export function visitSheet(context: Context, siteId: string, day: string): Promise<VisitSheet> {
  return remembered(context, 'sheet of a visit', [siteId, day], (look) => makeVisitSheet(look, siteId, day));
}

async function makeVisitSheet(context: Context, siteId: string, day: string): Promise<VisitSheet> {
  allow(context, 'viewer');
  const site = await getSite(context, siteId);
  const rule = await context.db.visitRules.findOne({
    where: { clubId: context.actor.clubId, siteId },
    raw: true,
  });
  const plans = (await livingUnions(context).then((unions) => unionPlans(context, unions))).filter(
    (plan) => plan.site.id === siteId,
  );
  const today = plans[0]?.today ?? context.now.toISOString().slice(0, 10);
  const number = /^\d{4}-\d{2}-\d{2}$/.test(day) ? daysBetween(today, day) : NaN;
  if (!rule || !(number >= 0 && number < VISIT_DAYS))
    throw new UseCaseError('not-found', 'No visit is planned for that day. Choose one on the page of visits.');
  const all = openTasks(plans);
  const earlier = visitsOf(rule, all, today)
    .visits.map(({ on }) => daysBetween(today, on))
    .filter((planned) => planned < number);
  const tasks = all.filter(
    ({ window: [from, to] }) =>
      number >= from && number <= to && !earlier.some((planned) => planned >= from && planned <= to),
  );
  const byPlant = groupedBy(
    tasks.filter(({ due }) => !isRowTask(due.task)),
    ({ plan }) => plan.plant.id,
  );
  const plants = [...byPlant.values()]
    .sort((a, b) => walking(a[0]!.plan, b[0]!.plan))
    .map((own) => ({
      called: own[0]!.plan.called,
      href: own[0]!.plan.href,
      variety: own[0]!.plan.wood.variety,
      stockType: own[0]!.plan.stock.stockType,
      workshop: own[0]!.plan.workshop.title,
      tasks: own.map((task) => sheetLine(context, task)),
    }));
  const ids = tasks.map(({ due }) => due.task);
  return {
    siteId,
    site: site.name,
    on: day,
    rows: rowLines(tasks).map((row) => rowLine(context, row)),
    plants,
    tools: [...toolsFor(ids), ...ALWAYS_BROUGHT],
    minutes: minutesTogether(ids),
    all: new Set(plans.filter(({ ended }) => ended === null || ended.why === 'dead').map(({ plant }) => plant.id)).size,
  };
}

/** In the order they were planted: day by day, each by its number. */
const walking = (a: UnionWithPlan, b: UnionWithPlan): number =>
  a.workshop.date.localeCompare(b.workshop.date) ||
  a.workshop.id.localeCompare(b.workshop.id) ||
  a.plant.place - b.plant.place;

/** What is looked at along a row, put together by day and task. */
function rowLines(tasks: readonly OpenTask[]): OpenTask[][] {
  const along = tasks.filter(({ due }) => isRowTask(due.task));
  return [...groupedBy(along, ({ plan, due }) => `${plan.workshop.id} ${due.task}`).values()];
}

function rowLine({ actor }: Context, row: readonly OpenTask[]): VisitRowLine {
  const [{ plan, due }] = row as [OpenTask, ...OpenTask[]];
  return {
    task: due.task,
    name: written(due.name, actor.lengthUnit),
    missed: due.missed === null ? '' : written(due.missed, actor.lengthUnit),
    to: row.map((task) => task.due.due.to).sort()[0]!,
    workshop: plan.workshop.title,
    plants: [...row]
      .sort((a, b) => walking(a.plan, b.plan))
      .map((task) => ({
        unionId: task.plan.union.id,
        occurrence: task.due.occurrence,
        called: task.plan.called,
      })),
  };
}

function sheetLine({ actor }: Context, { plan: { union }, due }: OpenTask): VisitTaskLine {
  return {
    unionId: union.id,
    task: due.task,
    occurrence: due.occurrence,
    name: written(due.name, actor.lengthUnit),
    missed: due.missed === null ? '' : written(due.missed, actor.lengthUnit),
    alarm: due.alarm,
    to: due.due.to,
    place: union.position === 'sole' ? '' : POSITION_WORDS[union.position],
    method: madeWords(union),
  };
}

/** The same on paper. */
export async function visitSheetAsPdf(context: Context, siteId: string, day: string, asked: unknown): Promise<Buffer> {
  const { paper } = parse(paperInput, asked);
  return printJob('print visit', await visitSheet(context, siteId, day), paper);
}

/** Keeps on which days one can go to a site, unless somebody changed them meanwhile. */
export async function putVisitRule(context: Context, siteId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  await getSite(context, siteId);
  const { version, ...rule } = parse(visitRuleInput, input, context.now);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const row = {
    weekdays: [...new Set(rule.weekdays)].sort((a, b) => a - b),
    dates: [...new Set(rule.dates)].sort(),
    most: rule.most,
  };
  await transact(db, async (transaction) => {
    const where = { clubId, siteId };
    const known = await db.visitRules.findOne({ where, transaction, lock: transaction.LOCK.UPDATE, raw: true });
    const same =
      known && JSON.stringify([known.weekdays, known.dates, known.most]) === JSON.stringify(Object.values(row));
    if (same) return;
    if ((known?.version ?? 0) !== version)
      throw new UseCaseError(
        'conflict',
        'Somebody changed these days meanwhile. Load the page again; what you chose is still here in this window.',
      );
    if (known) await db.visitRules.update({ ...row, version: version + 1 }, { where, transaction });
    else await db.visitRules.create({ ...where, ...row, version: 1 }, { transaction });
    await audit(db, transaction, { clubId, actorId: userId, action: 'days of visits set', subjectId: siteId, at: now });
  });
}
