import { QueryTypes, type Sequelize } from 'sequelize';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/**
 * Tasks of unions that were closed, one row a union. `live_key` names union, task and occurrence while the mark stands, so
 * that of two devices that mark one task only one does.
 */
const MARKS = `CREATE TABLE IF NOT EXISTS task_marks (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, action_id ${ID} NOT NULL, union_id ${ID} NOT NULL,
  task VARCHAR(40) ${WORD} NOT NULL, occurrence INT NOT NULL, outcome VARCHAR(20) ${WORD} NOT NULL,
  done_on DATE NOT NULL, reason VARCHAR(300) NOT NULL DEFAULT '', marked_by ${ID} NOT NULL,
  recorded_at DATETIME(3) NOT NULL, undone_at DATETIME(3) NULL, undone_by ${ID} NULL,
  live_key VARCHAR(120) ${WORD} NULL,
  UNIQUE KEY task_marks_live (club_id, live_key), UNIQUE KEY task_marks_action (action_id, union_id, task),
  KEY task_marks_union (club_id, union_id)
) ${TABLE}`;

/** What was seen on a union or its plant: heights, shortenings, first growth, ties on and off, opened to look. */
const OBSERVATIONS = `CREATE TABLE IF NOT EXISTS union_observations (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL, kind VARCHAR(20) ${WORD} NOT NULL,
  about VARCHAR(40) ${WORD} NOT NULL DEFAULT '', length_mm DOUBLE NULL, note VARCHAR(300) NOT NULL DEFAULT '',
  seen_on DATE NOT NULL, seen_by ${ID} NOT NULL, recorded_at DATETIME(3) NOT NULL, taken_back_at DATETIME(3) NULL,
  KEY union_observations_union (club_id, union_id)
) ${TABLE}`;

/** On which days one can go to a site, and how often at most. */
const VISIT_RULES = `CREATE TABLE IF NOT EXISTS visit_rules (
  site_id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, weekdays JSON NOT NULL, dates JSON NOT NULL, most INT NULL,
  version INT NOT NULL DEFAULT 1, FOREIGN KEY (site_id) REFERENCES sites (id)
) ${TABLE}`;

/** Entries of a calendar are also those of trees that are changed over, which are no workshops. */
const CALENDAR = 'ALTER TABLE calendar_entries DROP FOREIGN KEY IF EXISTS calendar_entries_ibfk_1';

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of [MARKS, OBSERVATIONS, VISIT_RULES, CALENDAR])
    await sequelize.query(statement, { type: QueryTypes.RAW });
}
