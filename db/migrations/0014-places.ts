import { QueryTypes, type Sequelize } from 'sequelize';
import { stampTriggers } from '../stamp-triggers';
import { PLACES_STAMPED } from '../stamped-tables';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Where plants stand. `live_name` is the name while the place is in use: one of a name at each site. */
const PLACES = `CREATE TABLE IF NOT EXISTS places (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, site_id ${ID} NOT NULL, kind VARCHAR(20) ${WORD} NOT NULL,
  name VARCHAR(60) NOT NULL, live_name VARCHAR(60) NULL, capacity INT NOT NULL, \`rows\` JSON NULL, on_land JSON NULL,
  plan_id ${ID} NULL, kin VARCHAR(20) ${WORD} NOT NULL DEFAULT '', warm_from DATE NULL, logger VARCHAR(60) NOT NULL DEFAULT '',
  alert_hours DOUBLE NULL, alert_to ${ID} NULL, owner VARCHAR(120) NOT NULL DEFAULT '',
  leave_by VARCHAR(120) NOT NULL DEFAULT '', leave_until DATE NULL, told VARCHAR(600) NOT NULL DEFAULT '',
  put_away_at DATETIME(3) NULL, changed_at DATETIME(3) NOT NULL, version INT NOT NULL,
  UNIQUE KEY places_name (club_id, site_id, live_name), FOREIGN KEY (site_id) REFERENCES sites (id)
) ${TABLE}`;

/** Where each plant stands now: one to a spot. Spots that are not numbered are null, and shared. */
const STANDINGS = `CREATE TABLE IF NOT EXISTS plant_places (
  plant_id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, place_id ${ID} NOT NULL, \`row\` INT NULL, position INT NULL,
  limb VARCHAR(40) NOT NULL DEFAULT '', side VARCHAR(10) ${WORD} NOT NULL DEFAULT '', since DATE NOT NULL,
  UNIQUE KEY plant_places_spot (place_id, \`row\`, position), KEY plant_places_club (club_id),
  FOREIGN KEY (place_id) REFERENCES places (id), FOREIGN KEY (plant_id) REFERENCES plants (id)
) ${TABLE}`;

/** Every move there was. One tap may move many plants; taken back it stays on record. */
const MOVES = `CREATE TABLE IF NOT EXISTS plant_moves (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, action_id ${ID} NOT NULL, plant_id ${ID} NOT NULL,
  from_place_id ${ID} NULL, from_spot JSON NULL, from_since DATE NULL, to_place_id ${ID} NULL, to_spot JSON NULL,
  moved_on DATE NOT NULL, note VARCHAR(200) NOT NULL DEFAULT '', moved_by ${ID} NOT NULL,
  recorded_at DATETIME(3) NOT NULL, undone_at DATETIME(3) NULL,
  UNIQUE KEY plant_moves_action (action_id, plant_id), KEY plant_moves_plant (club_id, plant_id),
  KEY plant_moves_place (club_id, to_place_id)
) ${TABLE}`;

/** Readings of a place's logger, a row a day by the clocks of Greenwich: pairs of instant and degC, packed. */
const READINGS = `CREATE TABLE IF NOT EXISTS place_readings (
  place_id ${ID} NOT NULL, day DATE NOT NULL, club_id ${ID} NOT NULL, series MEDIUMBLOB NOT NULL, readings INT NOT NULL,
  PRIMARY KEY (place_id, day), FOREIGN KEY (place_id) REFERENCES places (id)
) ${TABLE}`;

/** Files of loggers that were read for a place. */
const LOGS = `CREATE TABLE IF NOT EXISTS place_logs (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, place_id ${ID} NOT NULL, file_name VARCHAR(200) NOT NULL,
  content_hash CHAR(64) ${WORD} NOT NULL, from_at DATETIME(3) NOT NULL, to_at DATETIME(3) NOT NULL,
  readings INT NOT NULL, added INT NOT NULL, notes JSON NOT NULL, added_by ${ID} NOT NULL, added_at DATETIME(3) NOT NULL,
  UNIQUE KEY place_logs_once (place_id, content_hash), KEY place_logs_hash (club_id, content_hash)
) ${TABLE}`;

/** Spells out of range that somebody was written to about, once each. */
const ALERTS = `CREATE TABLE IF NOT EXISTS place_alerts (
  place_id ${ID} NOT NULL, spell_from DATETIME(3) NOT NULL, club_id ${ID} NOT NULL, sent_at DATETIME(3) NOT NULL,
  letter_id ${ID} NOT NULL, PRIMARY KEY (place_id, spell_from)
) ${TABLE}`;

/** One of a batch that was opened to look: what was seen beside what had been reckoned. */
const OPENED = `CREATE TABLE IF NOT EXISTS opened_grafts (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, site_id ${ID} NOT NULL, place_id ${ID} NOT NULL, kin VARCHAR(20) ${WORD} NOT NULL,
  union_id ${ID} NULL, opened_on DATE NOT NULL, callused TINYINT(1) NOT NULL, note VARCHAR(300) NOT NULL DEFAULT '',
  knit_days DOUBLE NOT NULL, seen_by ${ID} NOT NULL, recorded_at DATETIME(3) NOT NULL, taken_back_at DATETIME(3) NULL,
  KEY opened_grafts_site (club_id, site_id)
) ${TABLE}`;

/** Days of weather that somebody measured or read in, in the place of the simulated ones. */
const WEATHER = `CREATE TABLE IF NOT EXISTS weather_days (
  site_id ${ID} NOT NULL, day DATE NOT NULL, club_id ${ID} NOT NULL, low DOUBLE NOT NULL, high DOUBLE NOT NULL,
  rain DOUBLE NULL, source VARCHAR(10) ${WORD} NOT NULL, entered_by ${ID} NOT NULL, entered_at DATETIME(3) NOT NULL,
  PRIMARY KEY (site_id, day), KEY weather_days_club (club_id), FOREIGN KEY (site_id) REFERENCES sites (id)
) ${TABLE}`;

/** Plants that were found without their tags, what was seen of them, and which they were taken for. */
const FINDS = `CREATE TABLE IF NOT EXISTS tag_finds (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, place_id ${ID} NOT NULL, found_on DATE NOT NULL,
  verdict VARCHAR(10) ${WORD} NOT NULL, seen JSON NOT NULL, possible JSON NOT NULL, plant_id ${ID} NULL,
  note VARCHAR(300) NOT NULL DEFAULT '', found_by ${ID} NOT NULL, recorded_at DATETIME(3) NOT NULL,
  settled_at DATETIME(3) NULL, KEY tag_finds_place (club_id, place_id)
) ${TABLE}`;

/** What is not sure of a plant since its tag fell off: which of a lot it is, or even of which lot. */
const DOUBT = `ALTER TABLE plants ADD COLUMN IF NOT EXISTS doubt VARCHAR(10) ${WORD} NOT NULL DEFAULT ''`;

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of [PLACES, STANDINGS, MOVES, READINGS, LOGS, ALERTS, OPENED, WEATHER, FINDS, DOUBT])
    await sequelize.query(statement, { type: QueryTypes.RAW });
  await stampTriggers(sequelize, PLACES_STAMPED);
}
