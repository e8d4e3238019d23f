import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const SUFFIX = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Each repeatable, since MariaDB commits every one by itself and a start can be killed in between. */
const STATEMENTS = [
  // Not every contact model has a left and a right.
  'ALTER TABLE judgements MODIFY contact_left DOUBLE NULL, MODIFY contact_right DOUBLE NULL',
  `ALTER TABLE workshops ADD COLUMN IF NOT EXISTS schools JSON NOT NULL DEFAULT '{}'`,
  `CREATE TABLE IF NOT EXISTS teaching_states (
    club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, seq BIGINT NOT NULL, step INT NOT NULL, panel ENUM('right','both') NOT NULL,
    blank BOOLEAN NOT NULL, timer_seconds INT NULL, timer_ends_at DATETIME(3) NULL, briefing BOOLEAN NOT NULL DEFAULT FALSE, change_id ${ID} NOT NULL, changed_at DATETIME(3) NOT NULL,
    PRIMARY KEY (club_id, workshop_id), FOREIGN KEY (workshop_id) REFERENCES workshops (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS briefings (
    club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, first_aid VARCHAR(300) NOT NULL, kit VARCHAR(300) NOT NULL, local_rules VARCHAR(2000) NOT NULL,
    sap BOOLEAN NOT NULL, changed_at DATETIME(3) NOT NULL,
    PRIMARY KEY (club_id, workshop_id), FOREIGN KEY (workshop_id) REFERENCES workshops (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS briefing_acknowledgements (
    club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, person_id ${ID} NOT NULL, content_hash CHAR(64) CHARACTER SET ascii NOT NULL,
    acknowledged_at DATETIME(3) NOT NULL, recorded_by ${ID} NOT NULL,
    PRIMARY KEY (club_id, workshop_id, person_id), FOREIGN KEY (workshop_id) REFERENCES workshops (id),
    FOREIGN KEY (person_id) REFERENCES people (id), FOREIGN KEY (recorded_by) REFERENCES users (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS compatibility (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, stock VARCHAR(60) NOT NULL, scion VARCHAR(60) NOT NULL, verdict ENUM('works','mind','fails') NOT NULL,
    note VARCHAR(300) NOT NULL, source VARCHAR(200) NOT NULL, withdrawn BOOLEAN NOT NULL DEFAULT FALSE,
    UNIQUE KEY compatibility_pair (club_id, stock, scion), FOREIGN KEY (club_id) REFERENCES clubs (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS topworking_plans (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, tree VARCHAR(120) NOT NULL, species VARCHAR(60) NOT NULL, first_year INT NOT NULL, version INT NOT NULL,
    limbs JSON NOT NULL, changed_at DATETIME(3) NOT NULL, UNIQUE KEY topworking_tree (club_id, tree),
    FOREIGN KEY (club_id) REFERENCES clubs (id)) ${SUFFIX}`,
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
}
