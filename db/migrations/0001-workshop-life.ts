import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';

/** One statement a table, in the order their foreign keys need. */
const TABLES = [
  `CREATE TABLE clubs (
    id ${ID} PRIMARY KEY, name VARCHAR(120) NOT NULL, created_at DATETIME(3) NOT NULL)`,
  `CREATE TABLE users (
    id ${ID} PRIMARY KEY, email VARCHAR(254) NOT NULL, name VARCHAR(120) NOT NULL, password_hash VARCHAR(255) NOT NULL,
    length_unit ENUM('mm','in') NOT NULL DEFAULT 'mm', temperature_unit ENUM('C','F') NOT NULL DEFAULT 'C',
    UNIQUE KEY users_email (email))`,
  `CREATE TABLE memberships (
    club_id ${ID} NOT NULL, user_id ${ID} NOT NULL, role ENUM('lead','assistant','viewer') NOT NULL,
    PRIMARY KEY (club_id, user_id), KEY memberships_user (user_id),
    FOREIGN KEY (club_id) REFERENCES clubs (id), FOREIGN KEY (user_id) REFERENCES users (id))`,
  `CREATE TABLE sessions (
    token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin PRIMARY KEY, user_id ${ID} NOT NULL, club_id ${ID} NOT NULL,
    created_at DATETIME(3) NOT NULL, expires_at DATETIME(3) NOT NULL, KEY sessions_expiry (expires_at),
    FOREIGN KEY (user_id) REFERENCES users (id), FOREIGN KEY (club_id) REFERENCES clubs (id))`,
  `CREATE TABLE rate_limits (
    bucket VARCHAR(300) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin PRIMARY KEY, window_start DATETIME(3) NOT NULL, attempts INT NOT NULL)`,
  `CREATE TABLE people (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, name VARCHAR(120) NULL, email VARCHAR(254) NULL, phone VARCHAR(40) NULL,
    may_contact BOOLEAN NOT NULL DEFAULT FALSE, erased_at DATETIME(3) NULL,
    KEY people_email (club_id, email), FOREIGN KEY (club_id) REFERENCES clubs (id))`,
  `CREATE TABLE sites (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, name VARCHAR(120) NOT NULL, hemisphere ENUM('north','south') NOT NULL,
    time_zone VARCHAR(60) NOT NULL, UNIQUE KEY sites_name (club_id, name), FOREIGN KEY (club_id) REFERENCES clubs (id))`,
  `CREATE TABLE workshops (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, title VARCHAR(120) NOT NULL, date DATE NOT NULL, site_id ${ID} NOT NULL,
    method VARCHAR(40) NOT NULL, promised_keepers INT NOT NULL, promise VARCHAR(200) NOT NULL DEFAULT '',
    created_at DATETIME(3) NOT NULL, KEY workshops_date (club_id, date),
    FOREIGN KEY (club_id) REFERENCES clubs (id), FOREIGN KEY (site_id) REFERENCES sites (id))`,
  `CREATE TABLE seats (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, number INT NOT NULL, person_id ${ID} NOT NULL,
    absent BOOLEAN NOT NULL DEFAULT FALSE,
    UNIQUE KEY seats_number (club_id, workshop_id, number), UNIQUE KEY seats_person (club_id, workshop_id, person_id),
    FOREIGN KEY (workshop_id) REFERENCES workshops (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE roster_imports (
    club_id ${ID} NOT NULL, id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, seated INT NOT NULL, at DATETIME(3) NOT NULL,
    PRIMARY KEY (club_id, id), FOREIGN KEY (workshop_id) REFERENCES workshops (id))`,
  `CREATE TABLE wood_lots (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, variety VARCHAR(80) NOT NULL, species VARCHAR(60) NOT NULL,
    source VARCHAR(120) NOT NULL, cut_on DATE NULL, KEY wood_lots_club (club_id), FOREIGN KEY (club_id) REFERENCES clubs (id))`,
  `CREATE TABLE stock_lots (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, stock_type VARCHAR(80) NOT NULL, species VARCHAR(60) NOT NULL,
    KEY stock_lots_club (club_id), FOREIGN KEY (club_id) REFERENCES clubs (id))`,
  `CREATE TABLE workshop_wood_lots (
    club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, wood_lot_id ${ID} NOT NULL, ribbon VARCHAR(20) NOT NULL,
    PRIMARY KEY (club_id, workshop_id, wood_lot_id), UNIQUE KEY workshop_ribbon (club_id, workshop_id, ribbon),
    FOREIGN KEY (workshop_id) REFERENCES workshops (id), FOREIGN KEY (wood_lot_id) REFERENCES wood_lots (id))`,
  `CREATE TABLE workshop_stock_lots (
    club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, stock_lot_id ${ID} NOT NULL,
    PRIMARY KEY (club_id, workshop_id, stock_lot_id),
    FOREIGN KEY (workshop_id) REFERENCES workshops (id), FOREIGN KEY (stock_lot_id) REFERENCES stock_lots (id))`,
  `CREATE TABLE rubrics (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, method VARCHAR(40) NOT NULL, content_hash CHAR(64) CHARACTER SET ascii NOT NULL,
    body JSON NOT NULL, created_at DATETIME(3) NOT NULL, UNIQUE KEY rubrics_content (club_id, method, content_hash))`,
  `CREATE TABLE plants (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, code CHAR(6) CHARACTER SET ascii NOT NULL,
    seat_id ${ID} NOT NULL, place INT NOT NULL, wood_lot_id ${ID} NOT NULL, stock_lot_id ${ID} NOT NULL, voided_at DATETIME(3) NULL,
    UNIQUE KEY plants_code (code), UNIQUE KEY plants_place (club_id, workshop_id, place),
    FOREIGN KEY (workshop_id) REFERENCES workshops (id), FOREIGN KEY (seat_id) REFERENCES seats (id),
    FOREIGN KEY (wood_lot_id) REFERENCES wood_lots (id), FOREIGN KEY (stock_lot_id) REFERENCES stock_lots (id))`,
  `CREATE TABLE unions (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, seat_id ${ID} NOT NULL,
    kind ENUM('practice','keeper') NOT NULL, number INT NOT NULL, plant_id ${ID} NULL, chosen_judgement_id ${ID} NULL,
    double_settled_at DATETIME(3) NULL,
    UNIQUE KEY unions_number (club_id, workshop_id, seat_id, kind, number), UNIQUE KEY unions_plant (club_id, plant_id),
    FOREIGN KEY (workshop_id) REFERENCES workshops (id), FOREIGN KEY (seat_id) REFERENCES seats (id),
    FOREIGN KEY (plant_id) REFERENCES plants (id))`,
  `CREATE TABLE judgements (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL, assessor_id ${ID} NOT NULL,
    stage ENUM('joined','wrapped','keeper') NOT NULL, measures JSON NOT NULL, marks JSON NOT NULL, note VARCHAR(500) NOT NULL DEFAULT '',
    contact DOUBLE NOT NULL, contact_left DOUBLE NOT NULL, contact_right DOUBLE NOT NULL, touching_mm DOUBLE NOT NULL, runs JSON NOT NULL,
    contact_grade ENUM('good','poor','fatal') NOT NULL, contact_words VARCHAR(80) NOT NULL, fatal JSON NOT NULL, score DOUBLE NULL,
    model_version VARCHAR(20) NOT NULL, rubric_id ${ID} NOT NULL, corrects_id ${ID} NULL, withdrawn_at DATETIME(3) NULL,
    filled_in_at DATETIME(3) NULL, device_at DATETIME(3) NOT NULL, recorded_at DATETIME(3) NOT NULL,
    live_corrects_id ${ID} NULL,
    UNIQUE KEY judgements_corrects (club_id, live_corrects_id), KEY judgements_union (club_id, union_id),
    FOREIGN KEY (union_id) REFERENCES unions (id), FOREIGN KEY (assessor_id) REFERENCES users (id),
    FOREIGN KEY (rubric_id) REFERENCES rubrics (id))`,
  `CREATE TABLE rounds (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, milestone ENUM('healed','growing','season','wintered') NOT NULL,
    opens_on DATE NOT NULL, closes_on DATE NOT NULL, UNIQUE KEY rounds_milestone (club_id, workshop_id, milestone),
    FOREIGN KEY (workshop_id) REFERENCES workshops (id))`,
  `CREATE TABLE report_links (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, round_id ${ID} NOT NULL, person_id ${ID} NOT NULL,
    token_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, kind ENUM('mail','slip') NOT NULL,
    created_at DATETIME(3) NOT NULL, withdrawn_at DATETIME(3) NULL,
    UNIQUE KEY report_links_token (token_hash), KEY report_links_person (club_id, round_id, person_id),
    FOREIGN KEY (round_id) REFERENCES rounds (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE messages (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, round_id ${ID} NOT NULL, person_id ${ID} NOT NULL, nth INT NOT NULL,
    subject VARCHAR(200) NOT NULL, state ENUM('queued','delivered') NOT NULL, created_at DATETIME(3) NOT NULL,
    UNIQUE KEY messages_once (club_id, round_id, person_id, nth),
    FOREIGN KEY (round_id) REFERENCES rounds (id), FOREIGN KEY (person_id) REFERENCES people (id))`,
  `CREATE TABLE reports (
    seq BIGINT AUTO_INCREMENT PRIMARY KEY, id ${ID} NOT NULL, club_id ${ID} NOT NULL, union_id ${ID} NOT NULL, round_id ${ID} NOT NULL,
    answer ENUM('yes','not-sure','dead','not-found') NOT NULL, note VARCHAR(500) NOT NULL DEFAULT '',
    source ENUM('link','phone','slip') NOT NULL, entered_by ${ID} NULL, recorded_at DATETIME(3) NOT NULL,
    UNIQUE KEY reports_id (club_id, id), KEY reports_union (club_id, union_id, round_id),
    FOREIGN KEY (union_id) REFERENCES unions (id), FOREIGN KEY (round_id) REFERENCES rounds (id))`,
  `CREATE TABLE union_facts (
    union_id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, seat_id ${ID} NOT NULL,
    kind ENUM('practice','keeper') NOT NULL, method VARCHAR(40) NOT NULL, date DATE NOT NULL, number INT NOT NULL,
    wood_lot_id ${ID} NULL, stock_lot_id ${ID} NULL, assessor_id ${ID} NULL, score DOUBLE NULL, contact DOUBLE NULL,
    contact_grade ENUM('good','poor','fatal') NULL, fatal BOOLEAN NULL, voided BOOLEAN NOT NULL DEFAULT FALSE,
    healed ENUM('alive','dead','unknown') NOT NULL DEFAULT 'unknown', growing ENUM('alive','dead','unknown') NOT NULL DEFAULT 'unknown',
    season ENUM('alive','dead','unknown') NOT NULL DEFAULT 'unknown', wintered ENUM('alive','dead','unknown') NOT NULL DEFAULT 'unknown',
    contradicted BOOLEAN NOT NULL DEFAULT FALSE,
    KEY union_facts_workshop (club_id, workshop_id, kind), FOREIGN KEY (union_id) REFERENCES unions (id))`,
  `CREATE TABLE audit (
    seq BIGINT AUTO_INCREMENT PRIMARY KEY, club_id ${ID} NOT NULL, actor_id ${ID} NULL, action VARCHAR(40) NOT NULL,
    subject_id ${ID} NOT NULL, at DATETIME(3) NOT NULL, KEY audit_club (club_id, seq))`,
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of TABLES) {
    // Repeatable, since MariaDB commits each CREATE by itself and a start can be killed in between.
    await sequelize.query(
      `${statement.replace('CREATE TABLE', 'CREATE TABLE IF NOT EXISTS')} ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
      { type: QueryTypes.RAW },
    );
  }
}
