import { DateTime } from 'luxon';
import { QueryTypes } from 'sequelize';
import type { Room } from '@/core/plan/benches/room';
import type { KnownFate } from '@/core/findings/shared/shared-factors';
import type { PlanPartRow } from '@/db/models/plan-rows';
import { plantStays } from '@/server/aftercare/places/plant-stays';
import type { Context } from '@/server/platform/context';

/** A keeper of which one knows that it lives or died, with the columns that say what it belongs to. */
export interface FateRow {
  unionId: string;
  workshopId: string;
  plantId: string;
  seatId: string;
  personId: string;
  makerId: string;
  helperUserId: string | null;
  helperPersonId: string | null;
  woodLotId: string | null;
  stockLotId: string | null;
  variety: string;
  stockType: string;
  materials: string[];
  method: string;
  madeOn: string;
  firstDeadOn: string | null;
  /** When it was first judged; null where nobody judged it. */
  judgedAt: Date | null;
  timeZone: string;
}

/** Hours of the day that are compared with each other. */
const PARTS = [
  { until: 11, part: 'morning' },
  { until: 14, part: 'noon' },
  { until: 17, part: 'afternoon' },
  { until: 24, part: 'evening' },
] as const;

/** Keepers of the club or of a workshop with a known fate: one that was voided or contradicts itself has none. */
export async function fateRows({ db, actor: { clubId } }: Context, workshopId: string | null): Promise<FateRow[]> {
  return db.sequelize.query<FateRow>(
    `SELECT f.union_id AS unionId, f.workshop_id AS workshopId, u.plant_id AS plantId, f.seat_id AS seatId, s.person_id AS personId,
       u.maker_id AS makerId, u.helper_user_id AS helperUserId, u.helper_person_id AS helperPersonId,
       f.wood_lot_id AS woodLotId, f.stock_lot_id AS stockLotId, w.variety, k.stock_type AS stockType, u.materials, u.method, u.made_on AS madeOn,
       f.first_dead_on AS firstDeadOn, j.judgedAt, t.time_zone AS timeZone
     FROM union_facts f JOIN unions u ON u.id = f.union_id JOIN plants p ON p.id = u.plant_id JOIN seats s ON s.id = f.seat_id
     JOIN wood_lots w ON w.id = p.wood_lot_id JOIN stock_lots k ON k.id = p.stock_lot_id
     JOIN workshops h ON h.id = f.workshop_id AND h.put_away_at IS NULL JOIN sites t ON t.id = h.site_id
     LEFT JOIN (SELECT union_id, MIN(made_at) AS judgedAt FROM judgements WHERE club_id = :clubId AND withdrawn_at IS NULL GROUP BY union_id) j
       ON j.union_id = f.union_id
     WHERE f.club_id = :clubId AND f.kind = 'keeper' AND f.voided = 0 AND f.contradicted = 0
       AND (f.first_dead_on IS NOT NULL OR f.last_alive_on IS NOT NULL) ${workshopId ? 'AND f.workshop_id = :workshopId' : ''}
     ORDER BY f.union_id`,
    { replacements: { clubId, workshopId }, type: QueryTypes.SELECT },
  );
}

/** Unions with a known fate, and all that each belongs to. */
export async function knownFates(
  context: Context,
  rows: readonly FateRow[],
  overdueTie: ReadonlySet<string>,
): Promise<KnownFate[]> {
  const { db, actor } = context;
  const [stays, rooms] = await Promise.all([
    plantStays(context),
    db.planParts.findAll({ where: { clubId: actor.clubId, part: 'room' }, raw: true }),
  ]);
  const benchOf = benchesBySeat(rooms);
  const severalDays = daysOfWorkshops(rows);
  return rows.map((row) => {
    const { unionId, workshopId, plantId, seatId, woodLotId, stockLotId, variety, stockType, firstDeadOn } = row;
    const places = new Set(
      (stays.get(plantId) ?? [])
        .filter(({ placeId, from }) => placeId !== null && (firstDeadOn === null || from <= firstDeadOn))
        // Gardens are noted as one place; each grower's is another.
        .map(({ placeId, kind }) => (kind === 'home' ? `home ${row.personId}` : placeId!)),
    );
    return {
      unionId,
      workshopId,
      method: row.method,
      dead: firstDeadOn !== null,
      levels: {
        ...(woodLotId ? { 'wood-lot': [woodLotId] } : {}),
        ...(stockLotId ? { 'stock-lot': [stockLotId] } : {}),
        grafter: [row.makerId],
        bench: [...(benchOf.get(seatId) ?? []), ...helpOf(row)],
        day: daysOf(row, severalDays),
        // What stands in no place of the club's went home with its grower.
        place: places.size > 0 ? [...places] : [`home ${row.personId}`],
        material: row.materials,
        pair: [`${variety} on ${stockType}`],
        ...(overdueTie.has(unionId) ? { tie: ['overdue'] } : {}),
      },
    };
  });
}

/** Benches with their assistants, by seat: only where somebody drew the room. */
function benchesBySeat(rooms: readonly PlanPartRow[]): Map<string, string[]> {
  const benchOf = new Map<string, string[]>();
  for (const { workshopId, body } of rooms) {
    const { seating, helpers } = body as unknown as Room;
    for (const [seatId, { bench }] of Object.entries(seating))
      benchOf.set(seatId, [
        `bench ${workshopId} ${bench}`,
        ...helpers.filter(({ benches }) => benches.includes(bench)).map(({ name }) => `assistant ${name}`),
      ]);
  }
  return benchOf;
}

function helpOf({ helperUserId, helperPersonId }: FateRow): string[] {
  if (helperUserId) return [`helper user ${helperUserId}`];
  return helperPersonId ? [`helper person ${helperPersonId}`] : [];
}

/** Workshops whose unions were made on several days. */
function daysOfWorkshops(rows: readonly FateRow[]): Set<string> {
  const first = new Map<string, string>();
  const several = new Set<string>();
  for (const { workshopId, madeOn } of rows) {
    if ((first.get(workshopId) ?? madeOn) !== madeOn) several.add(workshopId);
    first.set(workshopId, madeOn);
  }
  return several;
}

/** The day, where there were several, and the part of it in which a union was judged. */
function daysOf({ workshopId, madeOn, judgedAt, timeZone }: FateRow, severalDays: ReadonlySet<string>): string[] {
  const days = severalDays.has(workshopId) ? [madeOn] : [];
  const at = judgedAt && DateTime.fromJSDate(judgedAt, { zone: timeZone });
  // What was judged on a later day says nothing of the hour it was made.
  if (!at || at.toISODate() !== madeOn) return days;
  return [...days, `${madeOn} ${PARTS.find(({ until }) => at.hour < until)!.part}`];
}
