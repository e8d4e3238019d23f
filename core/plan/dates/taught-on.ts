import { isInSeason, nextOpening } from '../../methods/choosing/season';
import type { Climate } from '../climate/normals';
import type { MethodFacts } from '../../methods/method-facts';
import { type Edits, assumptionsWith } from '../phenology/assumptions';
import type { Observation } from '../phenology/observation';
import { cycleStart, type Phenology, phenologyOf } from '../phenology/phenology';
import { addDays, type IsoDate } from '../../units/iso-date';
import type { PlannedMethod } from './planned-method';
import { type DayVerdict, methodYear, type MethodYear, seasonsBySuit, verdictOn } from './season-finder';
import { turnsOfYear, usualTurns } from '../phenology/turns-of-year';
import type { Season } from '../../methods/use';
import { fittingVariants, type Variant } from '../../methods/variant';
import type { Taught } from './planned-date';

/** What a site knows of its year. */
export interface SiteYear {
  hemisphere: 'north' | 'south';
  /** Null where nobody entered it yet. */
  climate: Climate | null;
  edits: Edits;
  observations: Observation[];
}

/** Whose seasons a site has: where no frost comes there is no winter, and so none of either half of the earth. */
export function seasonsOf({
  climate,
  hemisphere,
}: Pick<SiteYear, 'climate' | 'hemisphere'>): 'north' | 'south' | 'tropics' {
  return climate && climate.firstFrost === null ? 'tropics' : hemisphere;
}

export type TaughtWithVerdict = Taught & { verdict: DayVerdict };

/**
 * What is taught, on any date, by the methods that are known: the year of the species then, and whether the method is in season.
 * A site without normals has no year of its own; then the usual calendar stands in, and says so.
 */
export function siteCalendar(
  site: SiteYear,
  known: readonly MethodFacts[],
): {
  on: (plan: PlannedMethod, date: IsoDate) => TaughtWithVerdict;
  yearOf: (plan: PlannedMethod, date: IsoDate) => MethodYear | null;
  phenology: (species: string, date: IsoDate) => Phenology;
} {
  const assumption = assumptionsWith(site.edits);
  const methodOf = (id: string): MethodFacts => known.find((method) => method.id === id)!;
  const years = new Map<string, Phenology>();
  const methods = new Map<string, MethodYear>();
  const phenology = (species: string, date: IsoDate): Phenology => {
    const key = `${species}/${cycleStart(date, site.hemisphere)}`;
    if (!years.has(key))
      years.set(
        key,
        site.climate
          ? phenologyOf(
              {
                species,
                hemisphere: site.hemisphere,
                climate: site.climate,
                assumption,
                observations: site.observations,
              },
              date,
            )
          : unknownYear(species, date, site.hemisphere),
      );
    return years.get(key)!;
  };
  const yearOf = (plan: PlannedMethod, date: IsoDate): MethodYear | null => {
    if (!site.climate) return null;
    const key = [plan.method, plan.place, plan.scionSpecies, plan.stockSpecies, cycleStart(date, site.hemisphere)].join(
      '/',
    );
    if (!methods.has(key)) {
      methods.set(
        key,
        methodYear({
          method: methodOf(plan.method),
          place: plan.place,
          scion: phenology(plan.scionSpecies, date),
          stock: phenology(plan.stockSpecies, date),
          climate: site.climate,
          assumption,
        }),
      );
    }
    return methods.get(key)!;
  };
  const on = (plan: PlannedMethod, date: IsoDate): TaughtWithVerdict => {
    const method = methodOf(plan.method);
    const year = yearOf(plan, date);
    const verdict = year ? verdictOn(date, year) : byCalendar(method, plan, date, site.hemisphere);
    const { open, fitting } = variantsThen(site, method, plan, date, { year, verdict });
    const variant = method.variants.find(({ id }) => id === plan.variant) ?? fitting[0];
    return {
      plan,
      method,
      verdict,
      season: open.find((season) => season.variant === variant.id) ?? verdict.season,
      variant,
      fitting,
      turnsOf: site.climate
        ? turnsOfYear(site.hemisphere, (day) => phenology(plan.scionSpecies, day), assumption)
        : usualTurns(site.hemisphere),
      scion: phenology(plan.scionSpecies, date),
      stock: phenology(plan.stockSpecies, date),
    };
  };
  return { on, yearOf, phenology };
}

/** The seasons that are open on a day in the order in which they suit it, and the variants they allow. */
function variantsThen(
  site: SiteYear,
  method: MethodFacts,
  { place }: PlannedMethod,
  date: IsoDate,
  { year, verdict }: { year: MethodYear | null; verdict: DayVerdict },
): { open: Season[]; fitting: [Variant, ...Variant[]] } {
  const usual = verdict.season ? [{ season: verdict.season, chance: verdict.chance }] : [];
  const suiting = year ? seasonsBySuit(date, year) : usual;
  const open = suiting.filter(({ chance }) => chance !== 'shut').map(({ season }) => season);
  const nearest = suiting.slice(0, 1).map(({ season }) => season);
  const making = { place, madeOn: date, climate: seasonsOf(site) };
  return { open, fitting: fittingVariants(method, making, open.length > 0 ? open : nearest) };
}

function byCalendar(
  { use }: MethodFacts,
  plan: PlannedMethod,
  date: IsoDate,
  hemisphere: 'north' | 'south',
): DayVerdict {
  const seasons = use.seasons.filter((season) => !season.places || season.places.includes(plan.place));
  const season = seasons.find((season) => isInSeason(season, date, hemisphere, use.tropics ?? false)) ?? null;
  if (season) return { chance: 'edge', season, why: 'By the usual calendar only: this site has no normals yet.' };
  const next = nextOpening(seasons, date, hemisphere);
  return {
    chance: 'shut',
    season: null,
    why: `Out of its season by the usual calendar${next ? `; it opens about ${next.date}` : ''}. This site has no normals yet.`,
  };
}

function unknownYear(species: string, date: IsoDate, hemisphere: 'north' | 'south'): Phenology {
  const from = cycleStart(date, hemisphere);
  return {
    species,
    from,
    to: addDays(cycleStart(addDays(from, 366), hemisphere), -1),
    evergreen: false,
    dormant: null,
    swell: null,
    leavesOut: null,
    slipFrom: null,
    slipTo: null,
    lastFrost: null,
    firstFrost: null,
    budRipe: null,
    budOpen: null,
    budClose: null,
    warmFrom: null,
    warmTo: null,
    alwaysWarm: false,
    flushes: [],
  };
}
