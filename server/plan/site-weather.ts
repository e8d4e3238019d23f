import type { Climate } from '@/core/plan/climate/normals';
import type { SiteRow } from '@/db/models/plan-rows';
import { dateInZone } from '@/core/units/zoned-date';
import { writeCsv } from '@/exchange/csv-table';
import { allow, type Context } from '@/server/platform/context';
import { getSite } from '@/server/club/sites';
import { UseCaseError } from '@/server/platform/use-case-error';

const YEAR = 365;

/** A year of a site's weather from today on, and the climates the weather service has to offer. */
export function simulatedDays(
  context: Context,
  site: SiteRow,
  today: string,
): { days: { date: string; low: number; high: number }[]; offered: { id: string; name: string; climate: Climate }[] } {
  allow(context, 'viewer');
  const { weather } = context;
  return {
    days: site.climate ? weather.days(site.id, site.climate.normals, today, YEAR) : [],
    offered: weather.climates().map(({ id, name, normals, lastFrost, firstFrost, frostMargin }) => ({
      id,
      name,
      climate: { normals, lastFrost, firstFrost, frostMargin },
    })),
  };
}

/** The same year as CSV, which says in every line whether it is made up. */
export async function weatherCsv(context: Context, siteId: string): Promise<string> {
  const site = await getSite(context, siteId);
  const { days } = simulatedDays(context, site, dateInZone(context.now, site.timeZone));
  if (days.length === 0)
    throw new UseCaseError('not-found', 'This site has no normals yet, so there is no weather to draw from them.');
  return writeCsv(
    ['date', 'lowest_c', 'highest_c', 'simulated'],
    days.map(({ date, low, high }) => ({
      date,
      lowest_c: low,
      highest_c: high,
      simulated: context.weather.simulated ? 'yes' : 'no',
    })),
  );
}
