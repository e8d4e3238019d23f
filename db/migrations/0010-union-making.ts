import { QueryTypes, type Sequelize } from 'sequelize';
import { madeWith } from '@/core/methods/made-with';
import { METHODS } from '@/core/methods/registry';
import type { Choices } from '@/core/methods/school';
import type { Place } from '@/core/methods/use';
import { variantOf } from '@/core/methods/variant';

/*
 * A union carries how it was made: its method, variant, schools and materials, its day, who made it with whose help, and
 * where on the plant it sits. Until now all of it was the workshop's. Judgements say their method, reports the day they
 * were seen, and a round of whom it asks. Each statement can be repeated: MariaDB commits every one by itself.
 */

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;

const BEFORE = [
  `ALTER TABLE unions
    ADD COLUMN IF NOT EXISTS method VARCHAR(40) ${WORD} NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS variant VARCHAR(20) ${WORD} NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS schools JSON NOT NULL DEFAULT '{}',
    ADD COLUMN IF NOT EXISTS materials JSON NOT NULL DEFAULT '[]',
    ADD COLUMN IF NOT EXISTS made_on DATE NULL,
    ADD COLUMN IF NOT EXISTS maker_id ${ID} NULL,
    ADD COLUMN IF NOT EXISTS helper_user_id ${ID} NULL,
    ADD COLUMN IF NOT EXISTS helper_person_id ${ID} NULL,
    ADD COLUMN IF NOT EXISTS position VARCHAR(10) ${WORD} NOT NULL DEFAULT 'sole'`,
  `ALTER TABLE unions ADD UNIQUE KEY IF NOT EXISTS unions_called (club_id, workshop_id, seat_id, kind, number, position),
    ADD UNIQUE KEY IF NOT EXISTS unions_on_plant (club_id, plant_id, position),
    DROP KEY IF EXISTS unions_number, DROP KEY IF EXISTS unions_plant`,
  `UPDATE unions JOIN workshops ON workshops.id = unions.workshop_id JOIN seats ON seats.id = unions.seat_id
    SET unions.made_on = workshops.date, unions.maker_id = seats.person_id WHERE unions.made_on IS NULL`,
  `ALTER TABLE unions MODIFY made_on DATE NOT NULL, MODIFY maker_id ${ID} NOT NULL`,
  `ALTER TABLE judgements
    ADD COLUMN IF NOT EXISTS method VARCHAR(40) ${WORD} NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS outlook ENUM('surely','perhaps','hardly') NULL,
    ADD COLUMN IF NOT EXISTS outlook_by ENUM('maker','assessor') NULL`,
  `UPDATE judgements JOIN rubrics ON rubrics.id = judgements.rubric_id
    SET judgements.method = rubrics.method WHERE judgements.method = ''`,
  'ALTER TABLE reports ADD COLUMN IF NOT EXISTS seen_on DATE NULL',
  'UPDATE reports SET seen_on = DATE(recorded_at) WHERE seen_on IS NULL',
  'ALTER TABLE reports MODIFY seen_on DATE NOT NULL DEFAULT CURRENT_DATE',
  `ALTER TABLE rounds ADD COLUMN IF NOT EXISTS asks VARCHAR(300) ${WORD} NOT NULL DEFAULT ''`,
  `ALTER TABLE rounds ADD UNIQUE KEY IF NOT EXISTS rounds_asked (club_id, workshop_id, milestone, asks),
    DROP KEY IF EXISTS rounds_milestone, DROP COLUMN IF EXISTS also_answers`,
  `ALTER TABLE union_facts
    ADD COLUMN IF NOT EXISTS variant VARCHAR(20) ${WORD} NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS position VARCHAR(10) ${WORD} NOT NULL DEFAULT 'sole',
    ADD COLUMN IF NOT EXISTS stage ENUM('joined','wrapped','keeper') NULL,
    ADD COLUMN IF NOT EXISTS outlook ENUM('surely','perhaps','hardly') NULL,
    ADD COLUMN IF NOT EXISTS outlook_by ENUM('maker','assessor') NULL,
    ADD COLUMN IF NOT EXISTS helped BOOLEAN NOT NULL DEFAULT FALSE,
    ADD COLUMN IF NOT EXISTS first_alive_on DATE NULL,
    ADD COLUMN IF NOT EXISTS last_alive_on DATE NULL,
    ADD COLUMN IF NOT EXISTS first_dead_on DATE NULL`,
];

/** What was said last of a union in each round, by the day it was seen. */
const LAST_SAID = `SELECT said.union_id, MIN(IF(said.answer = 'yes', said.seen_on, NULL)) AS first_alive,
    MAX(IF(said.answer = 'yes', said.seen_on, NULL)) AS last_alive, MIN(IF(said.answer = 'dead', said.seen_on, NULL)) AS first_dead
  FROM reports said WHERE said.turn = (SELECT MAX(later.turn) FROM reports later
    WHERE later.union_id = said.union_id AND later.round_id = said.round_id) GROUP BY said.union_id`;

const AFTER = [
  'UPDATE union_facts JOIN unions ON unions.id = union_facts.union_id SET union_facts.variant = unions.variant',
  `UPDATE union_facts JOIN (${LAST_SAID}) seen ON seen.union_id = union_facts.union_id
    SET first_alive_on = seen.first_alive, last_alive_on = seen.last_alive, first_dead_on = seen.first_dead`,
  `UPDATE union_facts JOIN (SELECT union_id, MIN(stage) AS stage FROM judgements WHERE withdrawn_at IS NULL GROUP BY union_id) judged
    ON judged.union_id = union_facts.union_id SET union_facts.stage = judged.stage`,
];

interface Day {
  id: string;
  method: string;
  date: string;
  schools: Choices | string;
  hemisphere: 'north' | 'south';
  climate: { firstFrost: unknown } | string | null;
  plan: { methods: { method: string; place: Place }[] } | string | null;
}

const read = <T>(value: T | string): T => (typeof value === 'string' ? (JSON.parse(value) as T) : value);

export async function up(sequelize: Sequelize): Promise<void> {
  const run = async (statement: string, replacements: Record<string, unknown> = {}): Promise<void> => {
    await sequelize.query(statement, { type: QueryTypes.RAW, replacements });
  };
  for (const statement of BEFORE) await run(statement);
  const days = await sequelize.query<Day>(
    `SELECT workshops.id, workshops.method, workshops.date, workshops.schools, sites.hemisphere, sites.climate, plan_parts.body AS plan
     FROM workshops JOIN sites ON sites.id = workshops.site_id
     LEFT JOIN plan_parts ON plan_parts.workshop_id = workshops.id AND plan_parts.part = 'methods'`,
    { type: QueryTypes.SELECT },
  );
  for (const day of days) {
    const method = METHODS.find(({ id }) => id === day.method);
    if (!method) continue;
    const climate = read(day.climate);
    const planned = read(day.plan)?.methods.find((row) => row.method === day.method);
    // What season it was is told by the calendar here: what the year of its site makes of the day, the plan knows.
    const variant = variantOf(method, {
      place: planned?.place ?? method.use.places[0]!,
      madeOn: day.date,
      season: null,
      climate: climate && climate.firstFrost === null ? 'tropics' : day.hemisphere,
    });
    const { schools, materials } = madeWith(method, read(day.schools), variant.id);
    await run(
      "UPDATE unions SET method = :method, variant = :variant, schools = :schools, materials = :materials WHERE workshop_id = :id AND method = ''",
      {
        id: day.id,
        method: method.id,
        variant: variant.id,
        schools: JSON.stringify(schools),
        materials: JSON.stringify(materials),
      },
    );
  }
  for (const statement of AFTER) await run(statement);
}
