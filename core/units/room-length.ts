import type { LengthUnit } from './length';

/** One foot, exactly, m (international yard agreement, 1959). */
const METRES_PER_FOOT = 0.3048;

/** Whoever reads inches measures a room in feet. */
export const roomUnit = (unit: LengthUnit): 'm' | 'ft' => (unit === 'mm' ? 'm' : 'ft');

/** Metres as the number that stands in a field, to a tenth of a foot. */
export function roomNumber(metres: number, unit: LengthUnit): string {
  return String(unit === 'mm' ? metres : Math.round((metres / METRES_PER_FOOT) * 10) / 10);
}

/**
 * A length of a room in words.
 *
 * @example roomLength(7.2, 'in') // '23.6 ft'
 */
export function roomLength(metres: number, unit: LengthUnit): string {
  return `${roomNumber(metres, unit)} ${roomUnit(unit)}`;
}

/** A number somebody who reads `unit` entered, as m to the cm. */
export function toMetres(value: number, unit: LengthUnit): number {
  return unit === 'mm' ? value : Math.round(value * METRES_PER_FOOT * 100) / 100;
}
