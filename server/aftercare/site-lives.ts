import { boundedCache, cacheKey } from '@/db/bounded-cache';
import { regraftYear } from '@/core/aftercare/regraft/regraft-year';
import type { RegraftYear } from '@/core/aftercare/regraft/regraft-ways';
import type { LifeSoFar } from '@/core/aftercare/plan/union-plan';
import { factsOf } from '@/core/methods/method-facts';
import { METHODS } from '@/core/methods/registry';
import { type AssumptionById, assumptionsWith } from '@/core/plan/phenology/assumptions';
import { seasonsOf, siteCalendar } from '@/core/plan/dates/taught-on';
import type { Phenology } from '@/core/plan/phenology/phenology';
import { turnsOfYear, usualTurns } from '@/core/plan/phenology/turns-of-year';
import { dateInZone } from '@/core/units/zoned-date';
import type { SiteRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { listSiteYears } from '@/server/plan/site-years';

/** A site as plans and questions ask it. */
export interface SiteLife {
  today: string;
  assumption: AssumptionById;
  turnsOf: (species: string) => NonNullable<LifeSoFar['turnsOf']>;
  year: (species: string, day: string) => Phenology;
  /** Whether a winter comes there, by its frost dates. */
  winter: boolean;
  /** The year of a scion on a stock, for whoever grafts again. */
  regraftYear: (species: { scion: string; stock: string }, day: string) => RegraftYear;
}

/** The years of some sites, read once. */
export async function siteLives(context: Context, sites: readonly SiteRow[]): Promise<Map<string, SiteLife>> {
  const years = await listSiteYears(context, sites);
  return new Map(
    years.map(({ site, year }) => [site.id, { today: dateInZone(context.now, site.timeZone), ...yearOfSite(year) }]),
  );
}

type YearOfSite = Omit<SiteLife, 'today'>;
type SiteYear = Awaited<ReturnType<typeof listSiteYears>>[number]['year'];

/** About what a year takes once all its species were asked for, bytes. */
const WHOLE_YEAR = 60_000;

/** Years that were worked out: every page and every answer asks for its site's. */
const reckoned = boundedCache<YearOfSite>('years of sites', 6_000_000);

function yearOfSite(year: SiteYear): YearOfSite {
  const key = cacheKey('year of a site', year);
  const known = reckoned.get(key);
  if (known) return known;
  const assumption = assumptionsWith(year.edits);
  const calendar = siteCalendar(year, METHODS.map(factsOf));
  const turns = new Map<string, NonNullable<LifeSoFar['turnsOf']>>();
  const turnsOf: SiteLife['turnsOf'] = (species) =>
    once(turns, [species], () =>
      year.climate
        ? remembered(turnsOfYear(year.hemisphere, (day) => calendar.phenology(species, day), assumption))
        : usualTurns(year.hemisphere),
    );
  const made: YearOfSite = {
    assumption,
    turnsOf,
    year: calendar.phenology,
    winter: seasonsOf(year) !== 'tropics',
    regraftYear: (species, day) => regraftYear(calendar, year, species, day),
  };
  // It works itself out further as it is asked: counted as large as one gets.
  reckoned.set(key, made, WHOLE_YEAR);
  return made;
}

/** Made once for each key. */
export function once<Value>(known: Map<string, Value>, key: unknown[], make: () => Value): Value {
  const name = JSON.stringify(key);
  if (!known.has(name)) known.set(name, make());
  return known.get(name)!;
}

/** The same year is asked for every task of every union. */
function remembered(turnsOf: NonNullable<LifeSoFar['turnsOf']>): NonNullable<LifeSoFar['turnsOf']> {
  const years = new Map<number, ReturnType<typeof turnsOf>>();
  return (year) => {
    if (!years.has(year)) years.set(year, turnsOf(year));
    return years.get(year)!;
  };
}
