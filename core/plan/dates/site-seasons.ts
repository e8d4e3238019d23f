import { written } from '../../units/prose';
import type { TemperatureUnit } from '../../units/temperature';
import type { SiteSeasons } from '../../methods/choosing/choose-method';
import type { MethodFacts } from '../../methods/method-facts';
import type { Place } from '../../methods/use';
import type { IsoDate } from '../../units/iso-date';
import { type MethodYear, seasonsOn, verdictOn } from './season-finder';
import { siteCalendar, type SiteYear } from './taught-on';

/** Where and on what somebody would graft. */
export interface WorkThere {
  place: Place;
  scionSpecies: string;
  stockSpecies: string;
}

/**
 * What the year of a site says of the seasons on a day, so that whoever chooses a method today is told what the season finder
 * tells; null for a site without normals, which has no year of its own.
 */
export function siteSeasons(
  site: SiteYear,
  known: readonly MethodFacts[],
  work: WorkThere,
  date: IsoDate,
  temperature: TemperatureUnit = 'C',
): SiteSeasons | null {
  if (!site.climate) return null;
  const calendar = siteCalendar(site, known);
  const yearOf = ({ id }: MethodFacts): MethodYear =>
    calendar.yearOf({ ...work, method: id, practiceEach: 0, keepersEach: 0, practiceOn: 'prunings' }, date)!;
  return {
    open: (method) =>
      seasonsOn(date, yearOf(method)).map(({ season, chance, why }) => ({
        season,
        hangsOn: chance === 'edge' ? written(why, 'mm', temperature) : null,
      })),
    shut: (method) => written(verdictOn(date, yearOf(method)).why, 'mm', temperature),
  };
}
