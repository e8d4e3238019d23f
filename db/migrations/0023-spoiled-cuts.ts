import { QueryTypes, type Sequelize } from 'sequelize';
import { stampTriggers } from '../stamp-triggers';
import { SPOILED_STAMPED } from '../stamped-tables';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;

/** Cuts that spoiled their wood, one row each; the hand is kept with it, since a seat may change hands. */
const SPOILED = `CREATE TABLE IF NOT EXISTS spoiled_cuts (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, seat_id ${ID} NOT NULL,
  person_id ${ID} NOT NULL, method VARCHAR(40) ${WORD} NOT NULL, counted_by ${ID} NOT NULL,
  counted_at DATETIME(3) NOT NULL, taken_back_at DATETIME(3) NULL,
  KEY spoiled_cuts_workshop (club_id, workshop_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`;

export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(SPOILED, { type: QueryTypes.RAW });
  await stampTriggers(sequelize, SPOILED_STAMPED);
}
