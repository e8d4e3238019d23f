import { Op } from 'sequelize';
import type { DayOfSite } from '@/core/plan/climate/day-weather';
import { addDays, daysBetween } from '@/core/units/iso-date';
import type { WeatherDayRow } from '@/db/models/place-rows';
import type { SiteRow } from '@/db/models/plan-rows';
import { allow, type Context } from '@/server/platform/context';

/** Days of weather that were typed or read in, by site. */
export async function enteredWeather(
  context: Context,
  siteIds: readonly string[],
  from: string,
): Promise<Map<string, WeatherDayRow[]>> {
  allow(context, 'viewer');
  const found = new Map<string, WeatherDayRow[]>(siteIds.map((id) => [id, []]));
  if (siteIds.length === 0) return found;
  const rows = await context.db.weatherDays.findAll({
    where: { clubId: context.actor.clubId, siteId: [...siteIds], day: { [Op.gte]: from } },
    order: [['day', 'ASC']],
    raw: true,
  });
  for (const row of rows) found.get(row.siteId)?.push(row);
  return found;
}

/**
 * Each day of a site's weather: as it was entered where it was, else as the weather service has it, which says whether
 * it is made up. Days of a site without normals that nobody entered are left out.
 *
 * @param entered rows of this site
 */
export function weatherBetween(
  { weather }: Pick<Context, 'weather'>,
  site: Pick<SiteRow, 'id' | 'climate'>,
  entered: readonly WeatherDayRow[],
  from: string,
  to: string,
): DayOfSite[] {
  const count = daysBetween(from, to) + 1;
  if (count <= 0) return [];
  const own = new Map(entered.map((row) => [row.day, row]));
  const served = new Map(
    (site.climate ? weather.days(site.id, site.climate.normals, from, count) : []).map((day) => [day.date, day]),
  );
  return Array.from({ length: count }, (_, i) => addDays(from, i)).flatMap((date): DayOfSite[] => {
    const row = own.get(date);
    if (row) return [{ date, low: row.low, high: row.high, rain: row.rain, source: row.source }];
    const day = served.get(date);
    return day ? [{ ...day, source: 'simulated' }] : [];
  });
}
