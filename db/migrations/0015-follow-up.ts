import { QueryTypes, type Sequelize } from 'sequelize';
import { stampTriggers } from '../stamp-triggers';
import { FOLLOW_UP_STAMPED } from '../stamped-tables';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Each statement can be repeated: MariaDB commits every one by itself, and a start can be killed in between. */
const STATEMENTS = [
  // Looks once a year come more than once, and have no milestone of the four.
  `ALTER TABLE rounds MODIFY COLUMN milestone VARCHAR(12) ${WORD} NOT NULL,
    MODIFY COLUMN asks VARCHAR(1000) ${WORD} NOT NULL DEFAULT '',
    ADD UNIQUE KEY IF NOT EXISTS rounds_opened (club_id, workshop_id, milestone, asks, opens_on), DROP KEY IF EXISTS rounds_asked`,
  `ALTER TABLE workshops ADD COLUMN IF NOT EXISTS asks_alone BOOLEAN NOT NULL DEFAULT FALSE`,
  `ALTER TABLE clubs ADD COLUMN IF NOT EXISTS language VARCHAR(12) ${WORD} NOT NULL DEFAULT 'en'`,
  `ALTER TABLE people ADD COLUMN IF NOT EXISTS language VARCHAR(12) ${WORD} NOT NULL DEFAULT ''`,
  `ALTER TABLE reports MODIFY COLUMN source VARCHAR(10) ${WORD} NOT NULL,
    ADD COLUMN IF NOT EXISTS said VARCHAR(10) ${WORD} NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS signs JSON NULL,
    ADD COLUMN IF NOT EXISTS reading VARCHAR(14) ${WORD} NULL,
    ADD COLUMN IF NOT EXISTS why VARCHAR(24) ${WORD} NULL,
    ADD COLUMN IF NOT EXISTS usual_day INT NULL,
    ADD COLUMN IF NOT EXISTS next_look_on DATE NULL,
    ADD COLUMN IF NOT EXISTS came_on DATE NULL,
    ADD COLUMN IF NOT EXISTS set_aside_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS set_aside_by ${ID} NULL,
    ADD COLUMN IF NOT EXISTS set_aside_why VARCHAR(300) NOT NULL DEFAULT ''`,
  // What came before that day was noted came on the day it was recorded.
  `UPDATE reports SET came_on = DATE(recorded_at) WHERE came_on IS NULL`,
  `ALTER TABLE reports MODIFY COLUMN came_on DATE NOT NULL`,
  `ALTER TABLE photos MODIFY COLUMN taken_by ${ID} NULL`,
  // Growers measure shoots, too: nobody of the club has seen those.
  `ALTER TABLE union_observations MODIFY COLUMN seen_by ${ID} NULL`,
  // What each letter asked of, so that nobody is reminded more often than twice of one thing.
  `CREATE TABLE IF NOT EXISTS letter_asks (
    message_id ${ID} NOT NULL, union_id ${ID} NOT NULL, club_id ${ID} NOT NULL, round_id ${ID} NOT NULL, person_id ${ID} NOT NULL,
    sent_at DATETIME(3) NOT NULL, PRIMARY KEY (message_id, union_id), KEY letter_asks_club (club_id, round_id, union_id),
    FOREIGN KEY (message_id) REFERENCES messages (id), FOREIGN KEY (union_id) REFERENCES unions (id)
  ) ${TABLE}`,
  // Replies by mail: what was read of each, and what nobody could read.
  `CREATE TABLE IF NOT EXISTS mail_replies (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, content_hash CHAR(64) ${WORD} NOT NULL, file_name VARCHAR(200) NOT NULL,
    person_id ${ID} NULL, sender VARCHAR(254) NOT NULL DEFAULT '', subject VARCHAR(300) NOT NULL DEFAULT '',
    text TEXT NOT NULL, sent_on DATE NULL, outcome VARCHAR(10) ${WORD} NOT NULL, problem VARCHAR(24) ${WORD} NOT NULL DEFAULT '',
    answers INT NOT NULL DEFAULT 0, arrived_at DATETIME(3) NOT NULL, settled_at DATETIME(3) NULL, settled_by ${ID} NULL,
    UNIQUE KEY mail_replies_once (club_id, content_hash), KEY mail_replies_open (club_id, outcome)
  ) ${TABLE}`,
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
  await stampTriggers(sequelize, FOLLOW_UP_STAMPED);
}
