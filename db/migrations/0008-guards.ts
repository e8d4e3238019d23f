import { QueryTypes, type Sequelize } from 'sequelize';

/** What only one change at a time may decide about, a row each: see db/guard.ts. */
const TABLE = `CREATE TABLE IF NOT EXISTS guards (
  club_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, name VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  turn BIGINT UNSIGNED NOT NULL, PRIMARY KEY (club_id, name)) ENGINE=InnoDB`;

export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(TABLE, { type: QueryTypes.RAW });
}
