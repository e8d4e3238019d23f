import { QueryTypes, type Sequelize } from 'sequelize';
import { FIRST_STAMPED } from '../stamped-tables';
import { stampTriggers } from '../stamp-triggers';

const TABLE = `CREATE TABLE IF NOT EXISTS table_stamps (
  club_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, table_name VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, stamp CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (club_id, table_name)) ENGINE=InnoDB`;

export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(TABLE, { type: QueryTypes.RAW });
  await stampTriggers(sequelize, FIRST_STAMPED);
}
