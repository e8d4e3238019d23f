import { QueryTypes } from 'sequelize';
import type { LengthUnit } from '@/core/units/length';
import type { TemperatureUnit } from '@/core/units/temperature';
import type { Database } from '@/db/database';

/** In what a club reads: the units of its first lead, for whoever has no account to say otherwise. */
export async function clubUnits(
  { sequelize }: Pick<Database, 'sequelize'>,
  clubId: string,
): Promise<{ lengthUnit: LengthUnit; temperatureUnit: TemperatureUnit }> {
  const [units] = await sequelize.query<{ lengthUnit: LengthUnit; temperatureUnit: TemperatureUnit }>(
    `SELECT u.length_unit AS lengthUnit, u.temperature_unit AS temperatureUnit
     FROM memberships m JOIN users u ON u.id = m.user_id
     WHERE m.club_id = :clubId AND m.role = 'lead' ORDER BY u.id LIMIT 1`,
    { replacements: { clubId }, type: QueryTypes.SELECT },
  );
  return units ?? { lengthUnit: 'mm', temperatureUnit: 'C' };
}
