import type { Climate } from '@/core/climate/normals';
import type { SiteRow } from '@/db/models/rows';
import { allow, type Context } from './context';

const YEAR = 365;

/** A year of a site's weather from today on, and the climates the weather service has to offer. */
export function simulatedDays(context: Context, site: SiteRow, today: string): { days: { date: string; low: number; high: number }[]; offered: { id: string; name: string; climate: Climate }[] } {
  allow(context, 'viewer');
  const { weather } = context;
  return {
    days: site.climate ? weather.days(site.id, site.climate.normals, today, YEAR) : [],
    offered: weather.climates().map(({ id, name, normals, lastFrost, firstFrost, frostMargin }) => ({ id, name, climate: { normals, lastFrost, firstFrost, frostMargin } })),
  };
}
