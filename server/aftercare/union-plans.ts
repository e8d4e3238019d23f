import { methodById } from '@/core/methods/registry';
import { type SecondTry, secondTry } from '@/core/aftercare/second-try/second-try';
import { type PlanBasis, planBasis } from '@/core/aftercare/plan/made-union';
import { type ClosedTask, growthOf, kinGrowth, lifeOf, tiesSeen } from '@/core/aftercare/plan/union-life';
import { type LifeSoFar, type PlannedTask, unionPlan } from '@/core/aftercare/plan/union-plan';
import { shadeTonight } from '@/core/aftercare/shade/shade-tonight';
import { type Tie, type TieSeen, tiesOf } from '@/core/aftercare/ties/ties';
import type { ShadeTask } from '@/core/aftercare/week/due-tasks';
import type { DayOfSite } from '@/core/plan/climate/day-weather';
import { formatTemperature } from '@/core/units/temperature';
import { addDays, formatDate } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import type { Context } from '@/server/platform/context';
import type { LivingUnion } from './living-union';
import { once, type SiteLife, siteLives } from './site-lives';
import { unionWarmths, type Weathered } from './warmth/union-warmth';

/** A keeper with its plan as it stands today. */
export interface UnionWithPlan extends LivingUnion {
  today: string;
  tasks: PlannedTask[];
  ties: Tie[];
  /** It is dark and uncovered and meets a hot day; null where nothing is asked. */
  shade: ShadeTask | null;
  /** The warmth it had while it healed, and the weather it stood in. */
  weathered: Weathered;
  ended: NonNullable<LifeSoFar['ended']> | null;
  /** What can still be done this season about one that died; null for all others. */
  second: SecondTry | null;
  /** Whose heights its growth is reckoned from; null where nobody measured. */
  growthFrom: 'own' | 'kin' | null;
}

/** The plans of some unions, made anew from what is on record. Reads the sites' years once. */
export async function unionPlans(context: Context, unions: readonly LivingUnion[]): Promise<UnionWithPlan[]> {
  const sites = [...new Map(unions.map(({ site }) => [site.id, site])).values()];
  const [lives, { warmthOf, forecastOf }] = await Promise.all([
    siteLives(context, sites),
    unionWarmths(context, unions),
  ]);
  const bases = new Map<string, PlanBasis>();
  const plans = new Map<string, Pick<UnionWithPlan, 'tasks' | 'ties'>>();
  const kin = kinHeights(unions);
  const replaced = new Set(unions.filter(({ union }) => union.position === 'again').map(({ plant }) => plant.id));
  return unions.map((living) => {
    const { union, wood, stock, site, plant } = living;
    const life = lives.get(site.id)!;
    const basis = once(bases, [union.method, union.variant, union.schools, union.materials, wood.species], () =>
      planBasis({ ...union, species: wood.species }),
    );
    const weathered = warmthOf(living, basis.wayOn, life.today);
    const { warmth } = weathered;
    const closed = living.marks.map(({ task, doneOn, outcome, occurrence }) => ({ task, doneOn, outcome, occurrence }));
    const record = lifeOf({
      madeOn: union.madeOn,
      seen: living.seen,
      closed,
      deadOn: deadOn(living),
      voidedOn: plant.voidedAt && dateInZone(plant.voidedAt, site.timeZone),
    });
    const own = (record.growth ?? []).length > 0;
    const growth = own ? record.growth : kin(living);
    const seenTies = tiesSeen(living.seen);
    // Most plants of a lot are alike in all that their plan hangs on: it is reckoned once.
    const alike = [union.method, union.variant, union.schools, union.materials, union.madeOn, site.id];
    const { tasks, ties } = once(plans, [...alike, wood.species, stock.species, record, growth, seenTies, warmth], () =>
      planAndTies(living, {
        basis,
        life,
        record: { ...record, growth, ...(warmth ? { warmth } : {}) },
        closed,
        seenTies,
      }),
    );
    return {
      ...living,
      today: life.today,
      tasks,
      ties: record.ended && record.ended.why !== 'dead' ? [] : ties,
      weathered,
      shade: record.ended
        ? null
        : shadeOf(context, living, { ties, life, forecast: forecastOf(living, basis.wayOn, life.today) }),
      ended: record.ended ?? null,
      second: record.ended?.why === 'dead' && !replaced.has(plant.id) ? secondTryOf(living, life) : null,
      growthFrom: own ? 'own' : (growth ?? []).length > 0 ? 'kin' : null,
    };
  });
}

interface Sunlit {
  ties: readonly Tie[];
  life: SiteLife;
  forecast: readonly DayOfSite[];
}

/** What is dark, uncovered and about to meet a hot day. */
function shadeOf(
  { actor }: Context,
  { union, marks }: LivingUnion,
  { ties, life, forecast }: Sunlit,
): ShadeTask | null {
  const { today, assumption } = life;
  const { madeOn, materials } = union;
  const hot = assumption('hot-day').value;
  const shade = shadeTonight({ madeOn, today, outdoors: forecast.length > 0, materials, ties, marks, forecast, hot });
  if (!shade) return null;
  const made = forecast.find(({ date }) => date === shade.on)!.source;
  const up = `${formatTemperature(shade.high, actor.temperatureUnit)} on ${formatDate(shade.on)}`;
  return {
    occurrence: shade.occurrence,
    name: `Paint or shade by tonight: it is dark, and ${up} is forecast${made === 'simulated' || made === 'ordered' ? ' (simulated weather)' : ''}`,
  };
}

interface Reckoned {
  basis: PlanBasis;
  life: SiteLife;
  record: LifeSoFar;
  closed: readonly ClosedTask[];
  seenTies: readonly TieSeen[];
}

function planAndTies(
  { union, wood, stock }: LivingUnion,
  { basis, life, record, closed, seenTies }: Reckoned,
): Pick<UnionWithPlan, 'tasks' | 'ties'> {
  const { today, assumption } = life;
  const { budOpen, budClose } = life.year(stock.species, today);
  const tasks = unionPlan(
    { ...basis, madeOn: union.madeOn },
    {
      ...record,
      turnsOf: life.turnsOf(wood.species),
      today,
      late: assumption('late').value,
      girdle: basis.strains ? assumption('girdle').value : null,
      budding: budOpen && budClose ? { from: budOpen.best, to: budClose.best } : null,
    },
  );
  const ties = tiesOf({
    materials: union.materials,
    tasks,
    doneOn: (task) => closed.find((mark) => mark.task === task && mark.outcome !== 'skipped')?.doneOn ?? null,
    seen: seenTies,
    madeOn: union.madeOn,
    braceDays: assumption('brace-years').value * 365,
    today,
  });
  return { tasks, ties };
}

/** First seen dead, unless it was seen alive after that. */
function deadOn({ facts }: LivingUnion): string | null {
  return facts && !facts.contradicted ? facts.firstDeadOn : null;
}

/** Again with the sticks that are left, or by a bud in the site's budding window. */
function secondTryOf({ union, wood, stock }: LivingUnion, { today, year, assumption }: SiteLife): SecondTry {
  // Sticks, bark and frost are those of the season it was made in; buds are set in the next window.
  const [scion, stocks] = [year(wood.species, union.madeOn), year(stock.species, union.madeOn)];
  const { budOpen, budClose } = year(stock.species, today);
  return secondTry({
    today,
    needsSlip: methodById(union.method).use.bark === 'must slip',
    slip: stocks.slipFrom && stocks.slipTo ? { from: stocks.slipFrom.best, to: stocks.slipTo.best } : null,
    sticksUntil: scion.leavesOut && addDays(scion.leavesOut.best, assumption('after-leaf').value),
    firstFrost: stocks.firstFrost?.best ?? null,
    ripen: assumption('ripen').value,
    sticksLeft: Math.max(0, wood.sticks - wood.booked),
    budding: budOpen && budClose ? { from: budOpen.best, to: budClose.best } : null,
  });
}

/** Heights of the same variety of the same workshop stand in for a plant nobody measured. */
function kinHeights(unions: readonly LivingUnion[]): (living: LivingUnion) => LifeSoFar['growth'] {
  const groups = new Map<string, ReturnType<typeof growthOf>[]>();
  const keyOf = ({ union, wood }: LivingUnion): string => `${union.workshopId} ${wood.variety} ${union.madeOn}`;
  for (const living of unions) {
    const growth = growthOf(living.union.madeOn, living.seen);
    if (growth.length > 0 && !growth.some(({ shortened }) => shortened))
      groups.set(keyOf(living), [...(groups.get(keyOf(living)) ?? []), growth]);
  }
  const means = new Map([...groups].map(([key, heights]) => [key, kinGrowth(heights)]));
  return (living) => means.get(keyOf(living)) ?? [];
}
