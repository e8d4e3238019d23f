import { QueryTypes } from 'sequelize';
import { type DayOfWarmth, warmthByDay } from '@/core/aftercare/warmth/warmth-by-day';
import type { KnittingBand } from '@/core/plan/phenology/knitting-rate';
import type { Context } from '@/server/platform/context';
import { boundedCache, cacheKey } from '@/db/bounded-cache';
import { placeRun } from './readings-store';

/** Warmth of places by day. Readings are only ever added, so their count says which there are. */
const reckoned = boundedCache<ReadonlyMap<string, DayOfWarmth>>('warmth of places', 6_000_000);

/** Days of which this many hours were measured tell how warm a place was. */
const ENOUGH_HOURS = 12;

/** Places of a club with a logger: how many readings each has. */
export async function placesWithReadings({ db, actor }: Context): Promise<Map<string, number>> {
  const rows = await db.sequelize.query<{ placeId: string; readings: number | string }>(
    'SELECT place_id AS placeId, SUM(readings) AS readings FROM place_readings WHERE club_id = :clubId GROUP BY place_id',
    { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId } },
  );
  // SUM arrives as a decimal in text.
  return new Map(rows.map(({ placeId, readings }) => [placeId, Number(readings)]));
}

/** The warmth of each day of a place for a band, by date. */
export async function warmthOfPlace(
  { db }: Context,
  { placeId, readings, zone }: { placeId: string; readings: number; zone: string },
  band: KnittingBand,
): Promise<ReadonlyMap<string, DayOfWarmth>> {
  const key = cacheKey('warmth of a place', [placeId, readings, zone, band]);
  const known = reckoned.get(key);
  if (known) return known;
  const days = warmthByDay(band, await placeRun(db, placeId), zone);
  const byDay = new Map(days.map((day) => [day.on, day]));
  reckoned.set(key, byDay);
  return byDay;
}

/** How fast cuts knit on a measured day, as a share of the fastest; null where too little of it was measured. */
export function measuredRate(day: DayOfWarmth | undefined): number | null {
  return day && day.measured >= ENOUGH_HOURS ? Math.min(1, (day.knit * 24) / day.measured) : null;
}
