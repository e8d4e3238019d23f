import { QueryTypes, type Sequelize } from 'sequelize';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** Each statement can be repeated: MariaDB commits every one by itself, and a start can be killed in between. */
const STATEMENTS = [
  `ALTER TABLE union_facts
    ADD COLUMN IF NOT EXISTS maker_id ${ID} NULL,
    ADD COLUMN IF NOT EXISTS plant_id ${ID} NULL,
    ADD COLUMN IF NOT EXISTS reminded BOOLEAN NOT NULL DEFAULT FALSE`,
  `UPDATE union_facts facts JOIN unions ON unions.id = facts.union_id
    SET facts.maker_id = unions.maker_id, facts.plant_id = unions.plant_id`,
  `UPDATE union_facts facts JOIN (
      SELECT union_id FROM letter_asks asks
      WHERE EXISTS (SELECT 1 FROM reports WHERE reports.union_id = asks.union_id AND reports.round_id = asks.round_id
        AND reports.set_aside_at IS NULL)
      GROUP BY union_id, round_id HAVING COUNT(*) > 1
    ) twice ON twice.union_id = facts.union_id SET facts.reminded = TRUE`,
  // Keepers of a workshop, counted. What changed since is named below, and counted anew by whoever reads next.
  `CREATE TABLE IF NOT EXISTS keeper_counts (
    workshop_id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, body MEDIUMTEXT NOT NULL, KEY keeper_counts_club (club_id),
    FOREIGN KEY (workshop_id) REFERENCES workshops (id)
  ) ${TABLE}`,
  // A row for each change: all who answer at once would queue for a mark that they shared.
  `CREATE TABLE IF NOT EXISTS keeper_changes (
    id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, KEY keeper_changes_club (club_id, workshop_id)
  ) ${TABLE}`,
  `INSERT INTO keeper_changes (id, club_id, workshop_id)
    SELECT UUID(), club_id, workshop_id FROM union_facts WHERE kind = 'keeper' GROUP BY club_id, workshop_id`,
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
}
