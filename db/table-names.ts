import { QueryTypes, type Sequelize } from 'sequelize';

/** Names of the tables there are. The mapper's own list has objects where its type says texts. */
export async function tableNames(sequelize: Sequelize): Promise<string[]> {
  const rows = await sequelize.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    { type: QueryTypes.SELECT },
  );
  return rows.map(({ name }) => name);
}
