import { QueryTypes, type Sequelize } from 'sequelize';

/** The day on which a tree is to be grafted: which methods are in season hangs on it. Older programmes have only a year. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE topworking_plans ADD COLUMN IF NOT EXISTS graft_day DATE NULL', {
    type: QueryTypes.RAW,
  });
}
