import { QueryTypes } from 'sequelize';
import { formatCode } from '@/core/codes/plant-code';
import { batchProgress } from '@/core/aftercare/warmth/batch';
import type { CallusBatch, CallusView, OpenedGraft } from '@/core/aftercare/warmth/callus-view';
import { frostFreeAfter, holdBack } from '@/core/aftercare/warmth/hold-back';
import { proposedCallusing } from '@/core/aftercare/warmth/opened-batch';
import { outOfRange } from '@/core/aftercare/warmth/out-of-range';
import { type DayOfWarmth, warmthByDay } from '@/core/aftercare/warmth/warmth-by-day';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { kinOf } from '@/core/methods/compatibility/compatibility';
import {
  type AssumptionById,
  assumptionsWith,
  callusRange,
  knittingBand,
  KNITTING_KINS,
  type KnittingKin,
} from '@/core/plan/phenology/assumptions';
import { type LoggerRun, plottedReadings } from '@/core/plan/wood/logger-run';
import { addDays } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import type { OpenedGraftRow, PlaceRow } from '@/db/models/place-rows';
import type { SiteRow } from '@/db/models/plan-rows';
import { UNSET } from '@/db/unset';
import type { Context } from '@/server/platform/context';
import { placeRun } from './readings-store';

/** Points that are drawn of a run. */
const DRAWN = 1600;
const DAY = 86_400_000;
/** Days that are drawn at most. */
const SHOWN_DAYS = 45;
/** Whiles out of range that are listed; shorter ones are the door. */
const LISTED_HOURS = 1;

/**
 * A callus place as it stands: what its logger told, how far each batch has knit and when it will be done, what was out of
 * range, and what those that were opened say of the figure that is gone by.
 *
 * @param plants that stand in it
 */
export async function callusPlace(
  context: Context,
  place: PlaceRow,
  site: SiteRow,
  plants: readonly PlacedPlant[],
): Promise<CallusView> {
  const { db, actor, now } = context;
  const [run, logs, opened, letters, leafed, left] = await Promise.all([
    placeRun(db, place.id),
    db.placeLogs.findAll({
      where: { clubId: actor.clubId, placeId: place.id },
      order: [['addedAt', 'DESC']],
      raw: true,
    }),
    openedAt(context, site.id),
    db.placeAlerts.count({ where: { clubId: actor.clubId, placeId: place.id } }),
    leafedOn(context, plants),
    leftBatches(context, place.id),
  ]);
  const assumption = assumptionsWith(site.assumptions);
  const today = dateInZone(now, site.timeZone);
  const callus = assumption('callus');
  const kins = [
    ...new Set([place.kin || null, ...[...plants, ...left].map(({ species }) => knittingKin(species))]),
  ].filter((kin): kin is KnittingKin => kin !== null);
  const kin = place.kin || (kins[0] ?? null);
  const byKin = new Map(kins.map((each) => [each, warmthByDay(knittingBand(each, assumption), run, site.timeZone)]));
  const days = kin ? byKin.get(kin)! : [];
  const range = kin && callusRange(kin, assumption);
  const last = run.instants.length - 1;
  const { shown, drawn } = lately(run, days, plants, today);
  return {
    today,
    kin,
    band: kin && knittingBand(kin, assumption),
    range: range && { from: range.from, to: range.to, source: range.source },
    callused: callus.value,
    callusedSource: callus.source,
    readings: run.instants.length,
    from: iso(run, 0),
    lastAt: iso(run, last),
    lastValue: run.values[last] ?? null,
    plotted: plottedReadings(drawn, DRAWN),
    days: shown.map(({ on, knit, heatHours, frostHours }) => ({ on, knit, heatHours, frostHours })),
    spells: range ? outOfRange(run, range, LISTED_HOURS).slice(-12).reverse() : [],
    letters,
    batches: batchesOf([...plants.map(batched), ...left], {
      site,
      today,
      assumption,
      byKin,
      leafed,
      read: run.instants.length > 1,
    }),
    opened: opened.map(({ row, code }): OpenedGraft => ({
      id: row.id,
      on: row.openedOn,
      kin: row.kin,
      code: code && formatCode(code),
      callused: row.callused,
      note: row.note,
      knitDays: row.knitDays,
    })),
    proposed: proposedCallusing(
      opened.map(({ row }) => row),
      callus.value,
    ),
    logs: logs.map(({ id, fileName, fromAt, toAt, readings, added, notes }) => ({
      id,
      fileName,
      from: dateInZone(fromAt, site.timeZone),
      to: dateInZone(toAt, site.timeZone),
      readings,
      added,
      notes,
    })),
    zone: site.timeZone,
  };
}

/** What of a place is drawn: since what stands there now came; of earlier times the last weeks that were measured. */
function lately(
  run: LoggerRun,
  days: readonly DayOfWarmth[],
  plants: readonly PlacedPlant[],
  today: string,
): { shown: DayOfWarmth[]; drawn: LoggerRun } {
  const since = plants.map(({ standing }) => standing!.since).sort()[0];
  const lastDay = days.at(-1)?.on ?? today;
  const from = [addDays(lastDay, -SHOWN_DAYS), ...(since && since <= lastDay ? [since] : [])].sort().at(-1)!;
  const first = run.instants.findIndex((instant) => instant >= Date.parse(from) - DAY);
  const at = first < 0 ? run.instants.length : first;
  return {
    shown: days.filter(({ on }) => on >= from),
    drawn: { instants: run.instants.slice(at), values: run.values.slice(at) },
  };
}

function iso({ instants }: LoggerRun, i: number): string | null {
  return instants[i] === undefined ? null : new Date(instants[i]).toISOString();
}

/** The kin of a species whose knitting is known. */
export function knittingKin(species: string): KnittingKin | null {
  const kin = kinOf(species);
  return kin && KNITTING_KINS.includes(kin as KnittingKin) ? (kin as KnittingKin) : null;
}

interface BatchFacts {
  site: SiteRow;
  today: string;
  assumption: AssumptionById;
  byKin: ReadonlyMap<KnittingKin, DayOfWarmth[]>;
  leafed: ReadonlyMap<string, string>;
  read: boolean;
}

/** A plant that stands in a callus place, or stood in it. */
interface BatchedPlant {
  plantId: string;
  code: string;
  variety: string;
  species: string;
  since: string;
  leftOn: string | null;
}

function batched({ plantId, code, variety, species, standing }: PlacedPlant): BatchedPlant {
  return { plantId, code, variety, species, since: standing!.since, leftOn: null };
}

function batchesOf(plants: readonly BatchedPlant[], facts: BatchFacts): CallusBatch[] {
  const groups = new Map<string, BatchedPlant[]>();
  for (const plant of plants) {
    const { since, leftOn, variety, plantId } = plant;
    const key = [since, leftOn ?? '', variety, facts.leafed.has(plantId) ? 'leafed' : ''].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), plant]);
  }
  return [...groups].flatMap(([key, own]) => {
    const kin = knittingKin(own[0]!.species);
    return kin ? [batchOf(key, own, kin, facts)] : [];
  });
}

function batchOf(
  key: string,
  plants: readonly BatchedPlant[],
  kin: KnittingKin,
  { site, today, assumption, byKin, leafed, read }: BatchFacts,
): CallusBatch {
  const { variety, since, leftOn } = plants[0]!;
  const callused = assumption('callus').value;
  const days = byKin.get(kin)!.filter((day) => leftOn === null || day.on <= leftOn);
  const progress = read ? batchProgress(days, since, callused) : null;
  const on = (days: number | null): string | null => (days === null ? null : addDays(today, days));
  const lookOn = addDays(since, Math.ceil(callused));
  const leafedDay = plants.map(({ plantId }) => leafed.get(plantId)).find((day) => day !== undefined);
  const { climate } = site;
  return {
    key,
    kin,
    variety,
    since,
    leftOn,
    plants: plants.map(({ plantId, code }) => ({ plantId, code })),
    progress,
    lookOn,
    doneOn: progress ? on(progress.days) : lookOn,
    soonestOn: progress && on(progress.soonest),
    latestOn: progress && on(progress.latest),
    done: progress ? progress.days === 0 : (leftOn ?? today) >= lookOn,
    leafed: leafedDay
      ? {
          on: leafedDay,
          ...holdBack(
            leafedDay,
            assumption('leafed-hold').value,
            frostFreeAfter(leafedDay, climate?.lastFrost ?? null, climate?.frostMargin ?? 0),
          ),
        }
      : null,
  };
}

/** Plants that stood in a callus place and left it, by when they came and went. */
async function leftBatches({ db, actor }: Context, placeId: string): Promise<BatchedPlant[]> {
  return db.sequelize.query<BatchedPlant>(
    `SELECT m.plant_id AS plantId, p.code, l.variety, l.species, m.from_since AS since, m.moved_on AS leftOn
     FROM plant_moves m JOIN plants p ON p.id = m.plant_id JOIN wood_lots l ON l.id = p.wood_lot_id
     WHERE m.club_id = :clubId AND m.from_place_id = :placeId AND m.undone_at IS NULL
       AND (m.to_place_id IS NULL OR m.to_place_id <> m.from_place_id)
     ORDER BY m.moved_on DESC, p.place`,
    { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId, placeId } },
  );
}

/** Plants that have leaves, by the day somebody saw them. */
async function leafedOn({ db, actor }: Context, plants: readonly PlacedPlant[]): Promise<Map<string, string>> {
  if (plants.length === 0) return new Map();
  const rows = await db.sequelize.query<{ plantId: string; seenOn: string }>(
    `SELECT u.plant_id AS plantId, MIN(o.seen_on) AS seenOn FROM union_observations o JOIN unions u ON u.id = o.union_id
     WHERE o.club_id = :clubId AND o.kind = 'event' AND o.about = 'growth-starts' AND o.taken_back_at IS NULL
       AND u.plant_id IN (:ids) GROUP BY u.plant_id`,
    { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId, ids: plants.map(({ plantId }) => plantId) } },
  );
  return new Map(rows.map(({ plantId, seenOn }) => [plantId, seenOn]));
}

/** Grafts of a site that were opened to look and stand, latest first, each with the code of its plant. */
async function openedAt(
  { db, actor }: Context,
  siteId: string,
): Promise<{ row: OpenedGraftRow; code: string | null }[]> {
  const rows = await db.openedGrafts.findAll({
    where: { clubId: actor.clubId, siteId, takenBackAt: UNSET },
    order: [['recordedAt', 'DESC']],
    raw: true,
  });
  const unionIds = rows.map(({ unionId }) => unionId).filter((id): id is string => id !== null);
  const codes =
    unionIds.length === 0
      ? []
      : await db.sequelize.query<{ id: string; code: string }>(
          'SELECT u.id, p.code FROM unions u JOIN plants p ON p.id = u.plant_id WHERE u.club_id = :clubId AND u.id IN (:unionIds)',
          { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId, unionIds } },
        );
  const codeOf = new Map(codes.map(({ id, code }) => [id, code]));
  return rows.map((row) => ({ row, code: codeOf.get(row.unionId ?? '') ?? null }));
}
