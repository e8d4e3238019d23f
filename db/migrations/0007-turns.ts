import { QueryTypes, type Sequelize } from 'sequelize';

/**
 * Which answer to a round is the last one was told by a number that the database counts up, which on
 * several nodes follows no order. Each answer gets its turn among those of its union and round instead.
 * Each statement can be repeated, since MariaDB commits every one by itself and a start can be killed in between.
 */
const STATEMENTS = [
  'ALTER TABLE reports ADD COLUMN IF NOT EXISTS turn INT NOT NULL DEFAULT 0',
  `UPDATE reports JOIN (SELECT seq, ROW_NUMBER() OVER (PARTITION BY union_id, round_id ORDER BY seq) AS nth FROM reports) counted
   ON counted.seq = reports.seq SET reports.turn = counted.nth WHERE reports.turn = 0`,
  'ALTER TABLE reports ADD UNIQUE KEY IF NOT EXISTS reports_turn (union_id, round_id, turn)',
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement, { type: QueryTypes.RAW });
}
