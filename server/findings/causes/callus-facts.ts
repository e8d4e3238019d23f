import { DateTime } from 'luxon';
import type { CallusFacts } from '@/core/findings/causes/evidence/facts-of-union';
import { kinOf } from '@/core/methods/compatibility/compatibility';
import { callusRange, assumptionsWith } from '@/core/plan/phenology/assumptions';
import { summariseRun, type LoggerRun } from '@/core/plan/wood/logger-run';
import type { LivingUnion } from '@/server/aftercare/living-union';
import { plantStays, type PlantStay } from '@/server/aftercare/places/plant-stays';
import { listPlaces } from '@/server/aftercare/places/places';
import { placesWithReadings } from '@/server/aftercare/warmth/place-rates';
import { placeRun } from '@/server/aftercare/warmth/readings-store';
import type { Context } from '@/server/platform/context';
import { boundedCache, cacheKey } from '@/db/bounded-cache';

/** Weeks in which callus forms, days. */
const FIRST_WEEKS = 14;
/** Series of places that were read, under how many readings there are: they are only ever added. */
const runs = boundedCache<LoggerRun>('logger runs', 8_000_000);

type Standing = Pick<LivingUnion, 'union' | 'plant' | 'site' | 'wood'>;

/** What loggers of callus places measured while some unions stood there in their first two weeks, by union. */
export async function callusFacts(context: Context, unions: readonly Standing[]): Promise<Map<string, CallusFacts>> {
  const [stays, readings, places] = await Promise.all([
    plantStays(context),
    placesWithReadings(context),
    listPlaces(context),
  ]);
  const nameOf = new Map(places.map(({ id, name }) => [id, name]));
  const boxed = (stay: PlantStay): boolean => stay.kind === 'callus-box' && readings.has(stay.placeId ?? '');
  const wanted = new Set(
    unions.flatMap(({ plant }) => (stays.get(plant.id) ?? []).filter(boxed).map((s) => s.placeId!)),
  );
  const runOf = new Map(
    await Promise.all(
      [...wanted].map(async (placeId) => {
        const key = cacheKey('logger run', [placeId, readings.get(placeId)]);
        const known = runs.get(key);
        const run = known ?? (await placeRun(context.db, placeId));
        if (!known) runs.set(key, run);
        return [placeId, run] as const;
      }),
    ),
  );
  const known = new Map<string, CallusFacts | null>();
  return new Map(
    unions.flatMap((living): [string, CallusFacts][] => {
      const own = stays.get(living.plant.id) ?? [];
      const at = own.findIndex(boxed);
      if (at < 0) return [];
      const { placeId, from } = own[at]!;
      const until = own[at + 1]?.from ?? null;
      const key = JSON.stringify([placeId, from, until, living.union.madeOn, living.site.id, living.wood.species]);
      let facts = known.get(key);
      if (facts === undefined)
        known.set(key, (facts = measured(living, { from, until }, runOf.get(placeId!)!, nameOf.get(placeId!) ?? '')));
      return facts ? [[living.union.id, facts]] : [];
    }),
  );
}

function measured(
  { union, site, wood }: Standing,
  stay: { from: string; until: string | null },
  run: LoggerRun,
  place: string,
): CallusFacts | null {
  const assumption = assumptionsWith(site.assumptions);
  const range = callusRange(kinOf(wood.species), assumption);
  if (!range) return null;
  const start = (day: string): DateTime => DateTime.fromISO(day, { zone: site.timeZone });
  const begins = Math.max(start(union.madeOn).toMillis(), start(stay.from).toMillis());
  const ends = Math.min(
    start(union.madeOn).plus({ days: FIRST_WEEKS }).toMillis(),
    stay.until === null ? Infinity : start(stay.until).toMillis(),
  );
  const inside = run.instants.flatMap((at, i) => (at >= begins && at <= ends ? [i] : []));
  if (inside.length < 2) return null;
  const part = { instants: inside.map((i) => run.instants[i]!), values: inside.map((i) => run.values[i]!) };
  const summary = summariseRun(part, { from: range.slow, to: assumption('callus-stop').value });
  const gaps = summary.gaps.reduce((sum, { hours }) => sum + hours, 0);
  const all = (part.instants.at(-1)! - part.instants[0]!) / 3_600_000;
  return { place, measured: all - gaps, below: summary.hoursBelow, above: summary.hoursAbove };
}
