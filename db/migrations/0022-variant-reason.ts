import { QueryTypes, type Sequelize } from 'sequelize';

/** Why a union is meant to live on in a way that its day does not allow. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query("ALTER TABLE unions ADD COLUMN IF NOT EXISTS variant_reason VARCHAR(200) NOT NULL DEFAULT ''", {
    type: QueryTypes.RAW,
  });
}
