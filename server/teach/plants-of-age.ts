import { DateTime } from 'luxon';
import { QueryTypes } from 'sequelize';
import { HEALING_AGES, type HealingAge } from '@/core/teach/healing/healing-stages';
import { allow, type Context } from '@/server/platform/context';
import { getWorkshop } from '@/server/plan/workshops';

/** A keeper of the club that will be of an age on a day. */
export interface PlantOfAge {
  code: string;
  variety: string;
  madeOn: string;
  /** What was last heard of it. */
  state: 'alive' | 'dead' | 'unknown';
  /** Who has it; null where nobody is named any more. */
  grower: string | null;
  /** Where it was made. */
  site: string;
}

/** Plants of an age: the first ones, and how many there are. */
export interface PlantsOfAge {
  age: HealingAge;
  plants: PlantOfAge[];
  count: number;
}

/** So many are named for each age. */
const NAMED = 5;

/**
 * The club's own plants of a method that will be two weeks, a month, two months and a year old on a workshop's day, so
 * that they can be brought and shown; those heard to be dead among them, for a failed one teaches as much. One statement.
 */
export async function plantsOfAge(context: Context, workshopId: string, method: string): Promise<PlantsOfAge[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const { date } = await getWorkshop(context, workshopId);
  const before = (days: number): string => DateTime.fromISO(date).minus({ days }).toISODate()!;
  const rows = await db.sequelize.query<Omit<PlantOfAge, 'state'> & { dead: number; alive: number }>(
    `SELECT plants.code, lots.variety, facts.date AS madeOn, people.name AS grower, sites.name AS site,
       MAX('dead' IN (facts.healed, facts.growing, facts.season, facts.wintered)) AS dead,
       MAX('alive' IN (facts.healed, facts.growing, facts.season, facts.wintered)) AS alive
     FROM union_facts facts
     JOIN unions ON unions.id = facts.union_id JOIN plants ON plants.id = unions.plant_id
     JOIN wood_lots lots ON lots.id = plants.wood_lot_id JOIN seats ON seats.id = plants.seat_id
     JOIN people ON people.id = seats.person_id JOIN workshops ON workshops.id = facts.workshop_id
     JOIN sites ON sites.id = workshops.site_id
     WHERE facts.club_id = :clubId AND facts.kind = 'keeper' AND facts.method = :method AND facts.voided = 0
       AND plants.voided_at IS NULL AND facts.date BETWEEN :from AND :to
     GROUP BY plants.id ORDER BY dead, facts.date, plants.code`,
    {
      type: QueryTypes.SELECT,
      replacements: {
        clubId,
        method,
        from: before(Math.max(...HEALING_AGES.map(({ to }) => to))),
        to: before(Math.min(...HEALING_AGES.map(({ from }) => from))),
      },
    },
  );
  return HEALING_AGES.map(({ id, from, to }) => {
    const plants = rows.filter(({ madeOn }) => madeOn >= before(to) && madeOn <= before(from));
    return { age: id, count: plants.length, plants: shownOf(plants) };
  });
}

/** Some that live and one that died, where there are such. */
function shownOf(rows: readonly (Omit<PlantOfAge, 'state'> & { dead: number; alive: number })[]): PlantOfAge[] {
  const all = rows.map(({ dead, alive, ...plant }): PlantOfAge => ({
    ...plant,
    state: Number(dead) > 0 ? 'dead' : Number(alive) > 0 ? 'alive' : 'unknown',
  }));
  const died = all.filter(({ state }) => state === 'dead').slice(0, 1);
  return [...all.filter(({ state }) => state !== 'dead').slice(0, NAMED - died.length), ...died];
}
