import { QueryTypes, type Sequelize } from 'sequelize';
import { stampTriggers } from '../stamp-triggers';
import { CAUSES_STAMPED } from '../stamped-tables';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Each statement can be repeated: MariaDB commits every one by itself, and a start can be killed in between. */
const STATEMENTS = [
  // What somebody saw when asked why a union died, in the order of its coming: of one question the last answer counts.
  `CREATE TABLE IF NOT EXISTS cause_looks (
    seq BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY, id ${ID} NOT NULL, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL,
    code VARCHAR(40) ${WORD} NOT NULL, note VARCHAR(300) NOT NULL DEFAULT '', seen_on DATE NOT NULL, seen_by ${ID} NOT NULL,
    recorded_at DATETIME(3) NOT NULL, taken_back_at DATETIME(3) NULL,
    UNIQUE KEY cause_looks_id (id), KEY cause_looks_union (club_id, union_id), FOREIGN KEY (union_id) REFERENCES unions (id)
  ) ${TABLE}`,
  // Evidence that somebody does not believe, with the reason. One row stands for a union and a code: live_key names them.
  `CREATE TABLE IF NOT EXISTS struck_evidence (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL, code VARCHAR(40) ${WORD} NOT NULL,
    reason VARCHAR(300) NOT NULL, struck_by ${ID} NOT NULL, struck_at DATETIME(3) NOT NULL, restored_at DATETIME(3) NULL,
    live_key VARCHAR(80) ${WORD} NULL, UNIQUE KEY struck_live (club_id, live_key), KEY struck_union (club_id, union_id),
    FOREIGN KEY (union_id) REFERENCES unions (id)
  ) ${TABLE}`,
  // Causes that a person settled, beside what had been computed. One stands for a union.
  `CREATE TABLE IF NOT EXISTS settled_causes (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL, cause VARCHAR(40) ${WORD} NOT NULL,
    reason VARCHAR(300) NOT NULL, computed JSON NOT NULL, tables_version INT NOT NULL, settled_by ${ID} NOT NULL,
    settled_at DATETIME(3) NOT NULL, withdrawn_at DATETIME(3) NULL, live_union_id ${ID} NULL,
    UNIQUE KEY settled_live (club_id, live_union_id), KEY settled_union (club_id, union_id),
    FOREIGN KEY (union_id) REFERENCES unions (id)
  ) ${TABLE}`,
  // A club's own tables; version 0 are those that ship.
  `CREATE TABLE IF NOT EXISTS cause_tables (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, version INT NOT NULL, body JSON NOT NULL, source VARCHAR(300) NOT NULL,
    changed_by ${ID} NOT NULL, changed_at DATETIME(3) NOT NULL, UNIQUE KEY cause_tables_version (club_id, version)
  ) ${TABLE}`,
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
  await stampTriggers(sequelize, CAUSES_STAMPED);
}
