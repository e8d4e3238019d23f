import { QueryTypes, type Sequelize } from 'sequelize';
import { stampTriggers } from '../stamp-triggers';
import { HANDINGS_STAMPED } from '../stamped-tables';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;

/** Each time a plant was handed on, or stayed with the club: who has it from that day on. */
const HANDINGS = `CREATE TABLE IF NOT EXISTS plant_handings (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, action_id ${ID} NOT NULL, plant_id ${ID} NOT NULL,
  with_us BOOLEAN NOT NULL, holder_id ${ID} NULL, was_with_us BOOLEAN NOT NULL, was_holder_id ${ID} NULL, handed_on DATE NOT NULL, handed_by ${ID} NULL,
  recorded_at DATETIME(3) NOT NULL,
  UNIQUE KEY plant_handings_once (action_id, plant_id), KEY plant_handings_plant (club_id, plant_id),
  FOREIGN KEY (plant_id) REFERENCES plants (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`;

/**
 * Who has a plant: the club, somebody it was handed on to, or else whoever made it. A task may be marked by its grower, and
 * told a second time with another outcome. A letter, and the link in it, may be about tasks and belong to no round.
 */
export async function up(sequelize: Sequelize): Promise<void> {
  const change = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW });
  await change(`ALTER TABLE plants ADD COLUMN IF NOT EXISTS with_us BOOLEAN NOT NULL DEFAULT FALSE,
    ADD COLUMN IF NOT EXISTS holder_id ${ID} NULL, ADD KEY IF NOT EXISTS plants_holder (club_id, holder_id)`);
  await change(`ALTER TABLE task_marks MODIFY marked_by ${ID} NULL, ADD COLUMN IF NOT EXISTS told_by ${ID} NULL,
    ADD COLUMN IF NOT EXISTS beside_id ${ID} NULL`);
  await change(`ALTER TABLE messages MODIFY round_id ${ID} NULL`);
  await change(`ALTER TABLE report_links MODIFY round_id ${ID} NULL`);
  await change(HANDINGS);
  await stampTriggers(sequelize, HANDINGS_STAMPED);
}
