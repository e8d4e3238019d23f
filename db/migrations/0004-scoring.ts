import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const SUFFIX = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Each repeatable, since MariaDB commits every one by itself and a start can be killed in between. */
const STATEMENTS = [
  `ALTER TABLE judgements ADD COLUMN IF NOT EXISTS blind BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN IF NOT EXISTS seconds INT NULL, ADD COLUMN IF NOT EXISTS strokes INT NULL,
    ADD COLUMN IF NOT EXISTS made_at DATETIME(3) NULL, ADD COLUMN IF NOT EXISTS rescored_by ${ID} NULL`,
  'UPDATE judgements SET made_at = recorded_at WHERE made_at IS NULL',
  // A union drawn to be scored twice stays hidden from whoever has not scored it, until somebody else has.
  'ALTER TABLE unions ADD COLUMN IF NOT EXISTS second_wanted BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN IF NOT EXISTS second_settled_at DATETIME(3) NULL',
  // When anything about a union last changed, so that a device asks for that alone.
  'ALTER TABLE unions ADD COLUMN IF NOT EXISTS changed_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3), ADD KEY IF NOT EXISTS unions_changed (club_id, workshop_id, changed_at)',
  `ALTER TABLE plan_parts MODIFY part ENUM('methods','kit','day','room','pairs','scoring') NOT NULL`,
  `CREATE TABLE IF NOT EXISTS keeper_permits (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, seat_id ${ID} NOT NULL, may BOOLEAN NOT NULL, reason VARCHAR(300) NOT NULL,
    given_by ${ID} NOT NULL, given_at DATETIME(3) NOT NULL, KEY keeper_permits_workshop (club_id, workshop_id), FOREIGN KEY (seat_id) REFERENCES seats (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS rubric_edits (
    club_id ${ID} NOT NULL, method VARCHAR(40) NOT NULL, version INT NOT NULL, body JSON NOT NULL, change_id ${ID} NOT NULL, changed_by ${ID} NOT NULL, changed_at DATETIME(3) NOT NULL,
    PRIMARY KEY (club_id, method), FOREIGN KEY (club_id) REFERENCES clubs (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS recalibrations (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, method VARCHAR(40) NOT NULL, seed INT NOT NULL, nth INT NOT NULL, assessor_id ${ID} NOT NULL, rubric_id ${ID} NOT NULL,
    marks JSON NOT NULL, answered_at DATETIME(3) NOT NULL,
    UNIQUE KEY recalibrations_once (club_id, method, seed, nth, assessor_id), FOREIGN KEY (club_id) REFERENCES clubs (id), FOREIGN KEY (assessor_id) REFERENCES users (id), FOREIGN KEY (rubric_id) REFERENCES rubrics (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS photos (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL, taken_by ${ID} NOT NULL, width INT NOT NULL, height INT NOT NULL, bytes MEDIUMBLOB NOT NULL,
    scale JSON NULL, version INT NOT NULL DEFAULT 0, added_at DATETIME(3) NOT NULL, withdrawn BOOLEAN NOT NULL DEFAULT FALSE,
    KEY photos_union (club_id, union_id), FOREIGN KEY (union_id) REFERENCES unions (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS cut_looks (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL, callus ENUM('ring','parts','none') NOT NULL, contact_seen DOUBLE NULL, looked_on DATE NOT NULL,
    note VARCHAR(500) NOT NULL DEFAULT '', entered_by ${ID} NOT NULL, recorded_at DATETIME(3) NOT NULL,
    KEY cut_looks_union (club_id, union_id), FOREIGN KEY (union_id) REFERENCES unions (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS card_links (
    club_id ${ID} NOT NULL, seat_id ${ID} NOT NULL, token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, created_at DATETIME(3) NOT NULL, withdrawn_at DATETIME(3) NULL,
    PRIMARY KEY (token_hash), KEY card_links_seat (club_id, seat_id), FOREIGN KEY (seat_id) REFERENCES seats (id)) ${SUFFIX}`,
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
}
