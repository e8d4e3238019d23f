import { QueryTypes, type Sequelize } from 'sequelize';

/** A round of a bud that slept tells by its one look that it wintered, too; rounds from before told their own alone. */
const COLUMN = `ALTER TABLE rounds ADD COLUMN IF NOT EXISTS
  also_answers VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NULL DEFAULT NULL`;

export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(COLUMN, { type: QueryTypes.RAW });
}
