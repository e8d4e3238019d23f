import type { IsoDate } from '../../units/iso-date';
import type { Normals } from './normals';

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/**
 * Usual lowest and highest temperature of one day: straight lines between the middles of months.
 *
 * @returns degC.
 * @example dayNormals({ low: Array(12).fill(2), high: Array(12).fill(8) }, '2027-03-05') // { low: 2, high: 8 }
 */
export function dayNormals(normals: Normals, date: IsoDate): { low: number; high: number } {
  const month = Number(date.slice(5, 7)) - 1;
  const place = month + (Number(date.slice(8)) - 0.5) / DAYS[month]! - 0.5;
  const before = Math.floor(place);
  const share = place - before;
  const at = (list: number[]): number => list[(before + 12) % 12]! * (1 - share) + list[(before + 13) % 12]! * share;
  return { low: at(normals.low), high: at(normals.high) };
}
