import { InputError } from '../../contact/input-error';
import { type KnittingBand, knittingRate } from '@/core/plan/phenology/knitting-rate';

/** Hour at which a day is warmest. */
const WARMEST = 15;

/**
 * How fast a cut knits on a day of which only the lowest and the highest temperature are known: the mean over 24
 * hours of a wave between both.
 *
 * @throws InputError when the low is above the high.
 * @example dayRate(KNITTING_BANDS.pome, 15, 27) // 1
 */
export function dayRate(band: KnittingBand, low: number, high: number): number {
  if (!(low <= high)) throw new InputError('low', 'The lowest temperature of a day is not above its highest.');
  const [middle, half] = [(low + high) / 2, (high - low) / 2];
  let sum = 0;
  for (let hour = 0; hour < 24; hour++)
    sum += knittingRate(band, middle + half * Math.cos((2 * Math.PI * (hour + 0.5 - WARMEST)) / 24));
  return sum / 24;
}
