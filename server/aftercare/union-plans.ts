import { madeWords } from '@/core/methods/made-words';
import { factsOf } from '@/core/methods/method-facts';
import { POSITIONS } from '@/core/methods/position';
import { methodById, METHODS } from '@/core/methods/registry';
import type { RegraftDue } from '@/core/aftercare/plan/dead-union';
import { keptTooLong } from '@/core/plan/wood/store';
import { regraftName } from '@/core/aftercare/regraft/regraft-year';
import { nextWay, type RegraftWay, regraftWays } from '@/core/aftercare/regraft/regraft-ways';
import { type PlanBasis, planBasis } from '@/core/aftercare/plan/made-union';
import { type ClosedTask, growthOf, kinGrowth, lifeOf, tiesSeen } from '@/core/aftercare/plan/union-life';
import { type LifeSoFar, type PlannedTask, unionPlan } from '@/core/aftercare/plan/union-plan';
import { shadeTonight } from '@/core/aftercare/shade/shade-tonight';
import { type Tie, type TieSeen, tiesOf } from '@/core/aftercare/ties/ties';
import type { ShadeTask } from '@/core/aftercare/week/due-tasks';
import type { DayOfSite } from '@/core/plan/climate/day-weather';
import { formatTemperature } from '@/core/units/temperature';
import { groupedBy } from '@/core/units/grouped-by';
import { formatDate } from '@/core/units/iso-date';
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
  /** What can still be done on the stock of one that died; null for all others. */
  second: Regraft | null;
  /** Whose heights its growth is reckoned from; null where nobody measured. */
  growthFrom: 'own' | 'kin' | null;
}

/** How a stock can be grafted again, what begins first first, and with how many dormant sticks. */
export interface Regraft {
  ways: RegraftWay[];
  sticksLeft: number;
}

/**
 * The plans of some unions, from what is on record. Reads the sites' years once.
 *
 * @param unions all of each plant, since what can be done on a stock hangs on whether another lives there
 */
export async function unionPlans(context: Context, unions: readonly LivingUnion[]): Promise<UnionWithPlan[]> {
  const sites = [...new Map(unions.map(({ site }) => [site.id, site])).values()];
  const [lives, { warmthOf, forecastOf }] = await Promise.all([
    siteLives(context, sites),
    unionWarmths(context, unions),
  ]);
  const bases = new Map<string, PlanBasis>();
  const plans = new Map<string, Pick<UnionWithPlan, 'tasks' | 'ties'>>();
  const kin = kinHeights(unions);
  const lastOf = lastDeadOfPlants(unions);
  return unions.map((living) => {
    const { union, wood, stock, site, plant } = living;
    const life = lives.get(site.id)!;
    const basis = once(
      bases,
      [union.method, union.variant, union.schools, union.materials, wood.species, stock.stockType],
      () => planBasis({ ...union, species: wood.species, stockType: stock.stockType }),
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
    const second =
      record.ended?.why === 'dead' && lastOf.get(plant.id) === union.id
        ? regraftOf(living, life, record.ended.on)
        : null;
    // Most plants of a lot are alike in all that their plan hangs on: it is reckoned once.
    const alike = [union.method, union.variant, union.schools, union.materials, union.madeOn, site.id];
    const { tasks, ties } = once(plans, [...alike, wood.species, stock, record, growth, seenTies, warmth, second], () =>
      planAndTies(living, {
        basis,
        life,
        record: { ...record, growth, ...(warmth ? { warmth } : {}), regraft: regraftDue(second) },
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
      second,
      growthFrom: own ? 'own' : (growth ?? []).length > 0 ? 'kin' : null,
    };
  });
}

/** Of each plant on which nothing lives, the union that was set last: its stock can be grafted again. */
function lastDeadOfPlants(unions: readonly LivingUnion[]): Map<string, string> {
  const order = ({ union }: LivingUnion): string =>
    `${union.madeOn} ${String(POSITIONS.indexOf(union.position)).padStart(2, '0')}`;
  return new Map(
    [...groupedBy(unions, ({ plant }) => plant.id)].flatMap(([plantId, own]) => {
      const dead = own.filter((each) => deadOn(each) !== null);
      const gone = own.filter(({ seen }) => seen.some(({ kind }) => kind === 'cut-away'));
      if (new Set([...dead, ...gone]).size < own.length) return [];
      const [last] = dead.sort((a, b) => order(b).localeCompare(order(a)));
      if (!last) return [];
      return [[plantId, last!.union.id] as const];
    }),
  );
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
  { union, wood }: LivingUnion,
  { basis, life, record, closed, seenTies }: Reckoned,
): Pick<UnionWithPlan, 'tasks' | 'ties'> {
  const { today, assumption } = life;
  const tasks = unionPlan(
    { ...basis, madeOn: union.madeOn },
    {
      ...record,
      turnsOf: life.turnsOf(wood.species),
      today,
      late: assumption('late').value,
      girdle: basis.strains ? assumption('girdle').value : null,
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

const KNOWN = METHODS.map(factsOf);

/** What can be done on the stock in the season in which its union was found dead, and in the next. */
function regraftOf({ union, wood, stock, dormant, seen }: LivingUnion, life: SiteLife, foundOn: string): Regraft {
  const { today, assumption } = life;
  const keeps = dormant.filter(({ cutOn }) => cutOn !== null && !keptTooLong(cutOn, today));
  const sticksLeft = keeps.reduce((sum, { sticks, booked }) => sum + Math.max(0, sticks - booked), 0);
  const species = { scion: wood.species, stock: stock.species };
  const ways = regraftWays({
    today,
    foundOn,
    failed: factsOf(methodById(union.method)),
    methods: KNOWN,
    yearOf: (day) => life.regraftYear(species, day),
    assumption,
    sticksLeft,
    caliper: stockCaliper(seen),
  });
  return { ways, sticksLeft };
}

/** Caliper of the stock as it was last measured, mm. */
export function stockCaliper(seen: LivingUnion['seen']): number | null {
  return seen.filter(({ kind }) => kind === 'caliper').at(-1)?.lengthMm ?? null;
}

/** The way that comes next; what is neither open nor near yet waits. */
function regraftDue(second: Regraft | null): RegraftDue | null {
  const way = second && nextWay(second.ways);
  return way ? { name: regraftName(way, madeWords), from: way.from, to: way.to } : null;
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
