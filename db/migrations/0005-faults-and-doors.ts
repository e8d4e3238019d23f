import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'CHAR(36) CHARACTER SET ascii COLLATE ascii_bin';
const HASH = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const SUFFIX = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Each repeatable, since MariaDB commits every one by itself and a start can be killed in between. */
const STATEMENTS = [
  // What a device sent, so that the same id with other content is told apart for good.
  `ALTER TABLE judgements ADD COLUMN IF NOT EXISTS sent_hash ${HASH} NULL`,
  'ALTER TABLE workshops ADD COLUMN IF NOT EXISTS put_away_at DATETIME(3) NULL',
  // Addresses compare by their bytes: under the usual collation é is e, and one could sign in as another.
  'ALTER TABLE users MODIFY email VARCHAR(254) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL, MODIFY password_hash VARCHAR(255) NULL',
  `ALTER TABLE sessions ADD COLUMN IF NOT EXISTS id ${ID} NULL, ADD COLUMN IF NOT EXISTS seen_at DATETIME(3) NULL, ADD COLUMN IF NOT EXISTS confirmed_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS device VARCHAR(120) NOT NULL DEFAULT '', ADD COLUMN IF NOT EXISTS kept_offline BOOLEAN NOT NULL DEFAULT FALSE, ADD KEY IF NOT EXISTS sessions_user (user_id)`,
  'UPDATE sessions SET id = UUID() WHERE id IS NULL',
  'UPDATE sessions SET seen_at = created_at WHERE seen_at IS NULL',
  `ALTER TABLE sessions MODIFY id ${ID} NOT NULL, MODIFY seen_at DATETIME(3) NOT NULL`,
  'ALTER TABLE rate_limits ADD COLUMN IF NOT EXISTS last_at DATETIME(3) NULL',
  `CREATE TABLE IF NOT EXISTS password_links (
    token_hash ${HASH} PRIMARY KEY, user_id ${ID} NOT NULL, purpose ENUM('forgotten','hand-over') NOT NULL, created_at DATETIME(3) NOT NULL, expires_at DATETIME(3) NOT NULL, used_at DATETIME(3) NULL,
    KEY password_links_user (user_id), FOREIGN KEY (user_id) REFERENCES users (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS account_letters (
    id ${ID} PRIMARY KEY, user_id ${ID} NOT NULL, subject VARCHAR(200) NOT NULL, state ENUM('queued','delivered') NOT NULL, created_at DATETIME(3) NOT NULL,
    KEY account_letters_state (state), FOREIGN KEY (user_id) REFERENCES users (id)) ${SUFFIX}`,
  `CREATE TABLE IF NOT EXISTS invitations (
    club_id ${ID} NOT NULL, user_id ${ID} NOT NULL, role ENUM('lead','assistant','viewer') NOT NULL, invited_by ${ID} NOT NULL, invited_at DATETIME(3) NOT NULL,
    PRIMARY KEY (club_id, user_id), KEY invitations_user (user_id), FOREIGN KEY (club_id) REFERENCES clubs (id), FOREIGN KEY (user_id) REFERENCES users (id)) ${SUFFIX}`,
  // Where somebody has signed in from; only the hash of the network.
  `CREATE TABLE IF NOT EXISTS known_networks (
    user_id ${ID} NOT NULL, network_hash ${HASH} NOT NULL, seen_at DATETIME(3) NOT NULL, PRIMARY KEY (user_id, network_hash), FOREIGN KEY (user_id) REFERENCES users (id)) ${SUFFIX}`,
  // Where the name of an erased person, or part of it, may still stand in what others wrote: for the lead to mend.
  `CREATE TABLE IF NOT EXISTS name_traces (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, table_name VARCHAR(40) NOT NULL, row_key VARCHAR(120) NOT NULL, column_name VARCHAR(40) NOT NULL, found_at DATETIME(3) NOT NULL, settled_at DATETIME(3) NULL,
    KEY name_traces_open (club_id, settled_at), FOREIGN KEY (club_id) REFERENCES clubs (id)) ${SUFFIX}`,
  // The whole series of a log, packed; readings is what is drawn.
  'ALTER TABLE logger_runs ADD COLUMN IF NOT EXISTS series MEDIUMBLOB NULL',
  // Messages that wait are looked for at every start.
  'ALTER TABLE messages ADD KEY IF NOT EXISTS messages_state (state)',
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
}
