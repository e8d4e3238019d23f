import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const SUFFIX = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Each repeatable, since MariaDB commits every one by itself and a start can be killed in between. */
const STATEMENTS = [
  `ALTER TABLE sites ADD COLUMN IF NOT EXISTS region VARCHAR(80) NOT NULL DEFAULT '', ADD COLUMN IF NOT EXISTS climate JSON NULL,
    ADD COLUMN IF NOT EXISTS climate_source VARCHAR(200) NOT NULL DEFAULT '', ADD COLUMN IF NOT EXISTS assumptions JSON NOT NULL DEFAULT '{}',
    ADD COLUMN IF NOT EXISTS quarantine JSON NOT NULL DEFAULT '[]', ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 0`,
  `CREATE TABLE IF NOT EXISTS observations (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, site_id ${ID} NOT NULL, species VARCHAR(60) NOT NULL,
    sign ENUM('buds-shut','buds-swell','leaves-out','bark-slips','bark-tight','leaves-fallen') NOT NULL, seen_on DATE NOT NULL, note VARCHAR(300) NOT NULL DEFAULT '',
    entered_by ${ID} NOT NULL, withdrawn BOOLEAN NOT NULL DEFAULT FALSE, KEY observations_site (club_id, site_id, seen_on), FOREIGN KEY (site_id) REFERENCES sites (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS plan_parts (
    club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, part ENUM('methods','kit','day','room','pairs') NOT NULL, version INT NOT NULL, body JSON NOT NULL,
    change_id ${ID} NOT NULL, changed_at DATETIME(3) NOT NULL, PRIMARY KEY (club_id, workshop_id, part), FOREIGN KEY (workshop_id) REFERENCES workshops (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS store_items (
    club_id ${ID} NOT NULL, item VARCHAR(120) NOT NULL, in_store DOUBLE NOT NULL, price DOUBLE NULL, PRIMARY KEY (club_id, item), FOREIGN KEY (club_id) REFERENCES clubs (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS calendar_entries (
    club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, entry VARCHAR(80) NOT NULL, content_hash CHAR(64) CHARACTER SET ascii NOT NULL, sequence INT NOT NULL,
    from_date DATE NOT NULL, to_date DATE NOT NULL, title VARCHAR(300) NOT NULL, cancelled BOOLEAN NOT NULL DEFAULT FALSE,
    PRIMARY KEY (club_id, workshop_id, entry), FOREIGN KEY (workshop_id) REFERENCES workshops (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS wood_sources (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, kind ENUM('keeper','tree') NOT NULL, plant_id ${ID} NULL, name VARCHAR(120) NOT NULL, variety VARCHAR(80) NOT NULL, species VARCHAR(60) NOT NULL,
    region VARCHAR(80) NOT NULL DEFAULT '', note VARCHAR(300) NOT NULL DEFAULT '', UNIQUE KEY wood_sources_plant (club_id, plant_id), UNIQUE KEY wood_sources_name (club_id, name),
    FOREIGN KEY (club_id) REFERENCES clubs (id), FOREIGN KEY (plant_id) REFERENCES plants (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS wood_source_years (
    club_id ${ID} NOT NULL, source_id ${ID} NOT NULL, year INT NOT NULL, sticks INT NOT NULL, booked INT NOT NULL DEFAULT 0,
    PRIMARY KEY (club_id, source_id, year), CHECK (booked <= sticks), FOREIGN KEY (source_id) REFERENCES wood_sources (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS wood_source_bookings (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, source_id ${ID} NOT NULL, year INT NOT NULL, whom VARCHAR(120) NOT NULL, sticks INT NOT NULL,
    KEY source_bookings (club_id, source_id, year), FOREIGN KEY (source_id) REFERENCES wood_sources (id)) ${SUFFIX}`,
  `ALTER TABLE wood_lots ADD COLUMN IF NOT EXISTS stage ENUM('dormant','budwood','tip') NOT NULL DEFAULT 'dormant', ADD COLUMN IF NOT EXISTS place VARCHAR(120) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS wrap VARCHAR(120) NOT NULL DEFAULT '', ADD COLUMN IF NOT EXISTS protected_until DATE NULL, ADD COLUMN IF NOT EXISTS leave_words VARCHAR(200) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS certificate VARCHAR(120) NOT NULL DEFAULT '', ADD COLUMN IF NOT EXISTS region VARCHAR(80) NOT NULL DEFAULT '', ADD COLUMN IF NOT EXISTS sticks INT NOT NULL DEFAULT 0,
    ADD COLUMN IF NOT EXISTS usable_buds INT NOT NULL DEFAULT 8, ADD COLUMN IF NOT EXISTS booked INT NOT NULL DEFAULT 0, ADD COLUMN IF NOT EXISTS source_id ${ID} NULL,
    ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 0, ADD CONSTRAINT IF NOT EXISTS wood_lots_not_overbooked CHECK (booked <= sticks)`,
  'ALTER TABLE stock_lots ADD COLUMN IF NOT EXISTS stocks INT NOT NULL DEFAULT 0',
  `CREATE TABLE IF NOT EXISTS wood_bookings (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, lot_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, seat_id ${ID} NULL, sticks INT NOT NULL,
    KEY wood_bookings_lot (club_id, lot_id), KEY wood_bookings_workshop (club_id, workshop_id),
    FOREIGN KEY (lot_id) REFERENCES wood_lots (id), FOREIGN KEY (workshop_id) REFERENCES workshops (id), FOREIGN KEY (seat_id) REFERENCES seats (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS wood_checks (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, lot_id ${ID} NOT NULL, looked_on DATE NOT NULL, green ENUM('yes','partly','no') NOT NULL, buds ENUM('shut','moving','open') NOT NULL,
    note VARCHAR(300) NOT NULL DEFAULT '', entered_by ${ID} NOT NULL, KEY wood_checks_lot (club_id, lot_id, looked_on), FOREIGN KEY (lot_id) REFERENCES wood_lots (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS logger_runs (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, lot_id ${ID} NOT NULL, file_name VARCHAR(200) NOT NULL, content_hash CHAR(64) CHARACTER SET ascii NOT NULL, readings JSON NOT NULL, summary JSON NOT NULL,
    notes JSON NOT NULL, added_at DATETIME(3) NOT NULL, UNIQUE KEY logger_runs_once (club_id, lot_id, content_hash), FOREIGN KEY (lot_id) REFERENCES wood_lots (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS measured_pieces (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, kind ENUM('stick','stock') NOT NULL, lot_id ${ID} NOT NULL, number INT NOT NULL, caliper DOUBLE NOT NULL,
    usable_buds INT NULL, UNIQUE KEY measured_number (club_id, workshop_id, kind, number), FOREIGN KEY (workshop_id) REFERENCES workshops (id)) ${SUFFIX}`,
  `ALTER TABLE seats ADD COLUMN IF NOT EXISTS left_handed BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN IF NOT EXISTS skill ENUM('first','some','sure') NULL`,
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
}
