import { QueryTypes, type Sequelize } from 'sequelize';
import { makeTriggers } from '../stamp-triggers';
import { EVERYBODY } from '../stamped-tables';
import { changeTriggers, LOG } from '../table-changes';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = `CREATE TABLE IF NOT EXISTS table_changes (
  club_id CHAR(36) ${WORD} NOT NULL, table_name VARCHAR(40) ${WORD} NOT NULL, changed_at DATETIME(6) NOT NULL, connection_id BIGINT UNSIGNED NOT NULL,
  PRIMARY KEY (club_id, table_name, changed_at, connection_id)) ENGINE=InnoDB`;

export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(TABLE, { type: QueryTypes.RAW });
  // The log counts only where something fills it: this row says so.
  if (await makeTriggers(sequelize, changeTriggers()))
    await sequelize.query(
      `INSERT INTO table_stamps (club_id, table_name, stamp) VALUES ('${EVERYBODY}', '${LOG}', UUID()) ON DUPLICATE KEY UPDATE stamp = VALUES(stamp)`,
      { type: QueryTypes.RAW },
    );
}
