import { kindOf } from '@/core/methods/compatibility/compatibility';
import { slipOutlook, type SlipOutlook } from '@/core/plan/phenology/bark-slip';
import type { siteCalendar } from '@/core/plan/dates/taught-on';
import { groupedBy } from '@/core/units/grouped-by';
import { addDays, daysBetween, type IsoDate } from '@/core/units/iso-date';
import type { ObservationRow, SiteRow } from '@/db/models/plan-rows';
import type { WeatherDayRow } from '@/db/models/place-rows';
import { allow, type Context } from '@/server/platform/context';
import { weatherBetween } from './day-weather';

/** Days ahead for which weather is told. */
const FORECAST_DAYS = 10;

interface SiteKnown {
  site: SiteRow;
  observations: readonly ObservationRow[];
  /** Days of weather that were entered. */
  entered: readonly WeatherDayRow[];
  calendar: ReturnType<typeof siteCalendar>;
  today: IsoDate;
}

/**
 * Whether bark of some kinds will slip at a site on a day; kinds of which the same is told stand together. Days so far ahead that nobody knows their weather are
 * told by the season and the test cuts alone.
 */
export function barkSlip(
  context: Context,
  { site, observations, entered, calendar, today }: SiteKnown,
  species: readonly string[],
  date: IsoDate,
): { species: string; outlook: SlipOutlook }[] {
  allow(context, 'viewer');
  const ahead = daysBetween(today, date);
  const last = addDays(today, FORECAST_DAYS);
  const weather =
    ahead > FORECAST_DAYS + 1
      ? []
      : weatherBetween(context, site, entered, addDays(date, -10), date < last ? date : last);
  const each = species.map((kind) => {
    const own = observations.filter((seen) => kindOf(seen.species) === kindOf(kind));
    return {
      species: kind,
      outlook: slipOutlook({
        date,
        stock: calendar.phenology(kind, date),
        weather,
        watered: own.filter(({ sign }) => sign === 'watered').map(({ seenOn }) => seenOn),
        tests: own
          .filter(({ sign }) => sign === 'bark-slips' || sign === 'bark-tight')
          .map(({ sign, seenOn }) => ({ on: seenOn, slips: sign === 'bark-slips' })),
      }),
    };
  });
  return [...groupedBy(each, ({ outlook }) => JSON.stringify(outlook)).values()].map((same) => ({
    species: same.map((told) => told.species).join(', '),
    outlook: same[0]!.outlook,
  }));
}
