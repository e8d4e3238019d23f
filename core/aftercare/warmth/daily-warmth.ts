import type { Normals } from '../../plan/climate/normals';
import { dayNormals } from '../../plan/climate/day-normals';
import { addDays, type IsoDate } from '../../units/iso-date';
import { dayRate } from '@/core/plan/phenology/day-rate';
import type { KnittingBand } from '@/core/plan/phenology/knitting-rate';

/** Usual warmth is that of so many days after a union. */
const REFERENCE_DAYS = 28;
/** Where usual days are colder than this, a window would never end. */
const LEAST_REFERENCE = 0.2;

/** How fast cuts usually knit outdoors after a union was made: the mean of the site's normals over four weeks. */
export function usualRate(band: KnittingBand, normals: Normals, madeOn: IsoDate): number {
  let sum = 0;
  for (let day = 1; day <= REFERENCE_DAYS; day++) {
    const { low, high } = dayNormals(normals, addDays(madeOn, day));
    sum += dayRate(band, low, high);
  }
  return Math.max(LEAST_REFERENCE, sum / REFERENCE_DAYS);
}
