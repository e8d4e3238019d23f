import { QueryTypes, type Sequelize } from 'sequelize';

/** A flush of growth and a watering are noted beside what is seen of buds and bark. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `ALTER TABLE observations MODIFY sign ENUM('buds-shut','buds-swell','leaves-out','bark-slips','bark-tight','leaves-fallen','flush','watered') NOT NULL`,
    { type: QueryTypes.RAW },
  );
}
