import { usualRate } from '@/core/aftercare/warmth/daily-warmth';
import { dayRate } from '@/core/plan/phenology/day-rate';
import type { KnittingBand } from '@/core/plan/phenology/knitting-rate';
import { placedWarmth, placeOn, type RateOfDay } from '@/core/aftercare/warmth/placed-warmth';
import type { DayOfWarmth } from '@/core/aftercare/warmth/warmth-by-day';
import type { LifeSoFar } from '@/core/aftercare/plan/union-plan';
import type { WayOn } from '@/core/methods/variant';
import type { DayOfSite } from '@/core/plan/climate/day-weather';
import { assumptionsWith, knittingBand } from '@/core/plan/phenology/assumptions';
import { addDays, daysBetween } from '@/core/units/iso-date';
import type { SiteRow } from '@/db/models/plan-rows';
import { enteredWeather, weatherBetween } from '@/server/plan/day-weather';
import type { Context } from '@/server/platform/context';
import type { LivingUnion } from '../living-union';
import { plantStays, type PlantStay } from '../places/plant-stays';
import { knittingKin } from './callus-place';
import { measuredRate, placesWithReadings, warmthOfPlace } from './place-rates';

/** Weather counts for so long: the longest window of healing, stretched. */
const WEATHER_DAYS = 70;

/** The warmth a union had while it healed, and the weather it stood in. */
export interface Weathered {
  /** Left out where nothing moves its healing: at the bench with no place noted, and where nothing is known of its kin. */
  warmth: LifeSoFar['warmth'];
  /** Days it stood outdoors. */
  weather: DayOfSite[];
  /** Where its days of warmth are from. */
  measured: number;
  entered: number;
  simulated: number;
}

/** Tells the warmth of a union, and what is ahead of it, once the places and days they hang on were read. */
export interface UnionWarmths {
  warmthOf: (living: LivingUnion, wayOn: WayOn, today: string) => Weathered;
  /** Days to come where it stands; none where it stands under a roof, and where nobody noted that it left the bench. */
  forecastOf: (living: LivingUnion, wayOn: WayOn, today: string) => DayOfSite[];
}

/** Days of a forecast that are looked at. */
const FORECAST_DAYS = 3;

/** Reads what the warmth of some unions hangs on: moves, loggers of the places they stood in, and entered weather. */
export async function unionWarmths(context: Context, unions: readonly LivingUnion[]): Promise<UnionWarmths> {
  const sites = [...new Map(unions.map(({ site }) => [site.id, site])).values()];
  const from = unions.reduce((first, { union }) => (union.madeOn < first ? union.madeOn : first), '9999-12-31');
  const [stays, readings, entered] = await Promise.all([
    plantStays(context),
    placesWithReadings(context),
    enteredWeather(
      context,
      sites.map(({ id }) => id),
      from,
    ),
  ]);
  const measured = await measuredDays(context, unions, stays, readings);
  const known = new Map<string, Weathered>();
  const forecasts = new Map<string, DayOfSite[]>();
  const forecastOf: UnionWarmths['forecastOf'] = ({ plant, site }, wayOn, today) => {
    const kind = kindOn(stays.get(plant.id) ?? [], today);
    if (kind === 'callus-box' || (kind === null && wayOn === 'bench')) return [];
    let days = forecasts.get(site.id);
    if (!days) {
      days = weatherBetween(context, site, entered.get(site.id) ?? [], today, addDays(today, FORECAST_DAYS - 1));
      forecasts.set(site.id, days);
    }
    return days;
  };
  const warmthOf: UnionWarmths['warmthOf'] = (living, wayOn, today) => {
    const own = stays.get(living.plant.id) ?? [];
    const key = JSON.stringify([living.site.id, knittingKin(living.wood.species), living.union.madeOn, wayOn, own]);
    let found = known.get(key);
    if (!found) {
      const days = { living, own, entered: entered.get(living.site.id) ?? [], measured };
      known.set(key, (found = weathered(context, days, wayOn, today)));
    }
    return found;
  };
  return { warmthOf, forecastOf };
}

/** Warmth by day of the places that unions stood in, by place and kin. */
async function measuredDays(
  context: Context,
  unions: readonly LivingUnion[],
  stays: ReadonlyMap<string, PlantStay[]>,
  readings: ReadonlyMap<string, number>,
): Promise<Map<string, ReadonlyMap<string, DayOfWarmth>>> {
  const wanted = new Map<string, { placeId: string; site: SiteRow; band: KnittingBand }>();
  for (const { plant, wood, site } of unions) {
    const kin = knittingKin(wood.species);
    if (!kin) continue;
    for (const { placeId } of stays.get(plant.id) ?? [])
      if (placeId !== null && readings.has(placeId))
        wanted.set(`${placeId} ${kin}`, { placeId, site, band: knittingBand(kin, assumptionsWith(site.assumptions)) });
  }
  return new Map(
    await Promise.all(
      [...wanted].map(async ([key, { placeId, site, band }]) => {
        const place = { placeId, readings: readings.get(placeId)!, zone: site.timeZone };
        return [key, await warmthOfPlace(context, place, band)] as const;
      }),
    ),
  );
}

interface Days {
  living: LivingUnion;
  own: readonly PlantStay[];
  entered: Parameters<typeof weatherBetween>[2];
  measured: ReadonlyMap<string, ReadonlyMap<string, DayOfWarmth>>;
}

function weathered(context: Context, days: Days, wayOn: WayOn, today: string): Weathered {
  const { living, own, entered } = days;
  const { union, wood, site } = living;
  const until = addDays(union.madeOn, Math.min(WEATHER_DAYS, daysBetween(union.madeOn, today)));
  const all = weatherBetween(context, site, entered, addDays(union.madeOn, 1), until);
  const boxed = (day: string): boolean => kindOn(own, day) === 'callus-box';
  const weather = all.filter(({ date }) => !boxed(date));
  const none = { warmth: undefined, weather, measured: 0, entered: 0, simulated: 0 };
  const kin = knittingKin(wood.species);
  const atBench = wayOn === 'bench';
  if (!kin || (atBench && own.length === 0) || daysBetween(union.madeOn, until) <= 0) return none;
  // Without normals nobody knows what is usual outdoors: only what was measured in a warm place counts.
  const band = knittingBand(kin, assumptionsWith(site.assumptions));
  const reference = site.climate ? usualRate(band, site.climate.normals, union.madeOn) : null;
  if (!reference && !own.some(({ kind }) => kind === 'callus-box')) return none;
  const byDate = new Map(all.map((day) => [day.date, day]));
  const counts = { measured: 0, entered: 0, simulated: 0 };
  const outdoors = (date: string): RateOfDay | null => {
    const day = byDate.get(date);
    if (!day || reference === null) return null;
    counts[day.source === 'typed' || day.source === 'file' ? 'entered' : 'simulated']++;
    return { rate: dayRate(band, day.low, day.high), reference };
  };
  const warmth = placedWarmth(union.madeOn, own, until, (placeId, date) => {
    const rate = measuredRate(days.measured.get(`${placeId} ${kin}`)?.get(date));
    if (rate !== null && (boxed(date) || reference !== null)) {
      counts.measured++;
      return { rate, reference: boxed(date) ? 1 : reference! };
    }
    if (boxed(date) || (placeId === null && atBench)) return null;
    return outdoors(date);
  });
  return { warmth, weather, ...counts };
}

/** What kind of place a plant stood in at the end of a day; null where nobody said. */
function kindOn(stays: readonly PlantStay[], day: string): PlantStay['kind'] {
  const placeId = placeOn(stays, day);
  return placeId === null ? null : (stays.find((stay) => stay.placeId === placeId)?.kind ?? null);
}
