import { QueryTypes, type Sequelize } from 'sequelize';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';

/** The private address of a member's calendar, of which only the hash is kept. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `ALTER TABLE memberships ADD COLUMN IF NOT EXISTS calendar_hash CHAR(64) ${WORD} NULL,
     ADD UNIQUE KEY IF NOT EXISTS memberships_calendar (calendar_hash)`,
    { type: QueryTypes.RAW },
  );
}
