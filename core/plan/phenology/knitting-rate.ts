import { InputError } from '../../contact/input-error';
import { assumptionsWith, KNITTING_KINS, type KnittingKin, knittingBand } from './assumptions';

/** Temperatures between which cuts of a kind knit, °C: from `a` on, fully from `b` to `c`, and no more from `d` on. */
export interface KnittingBand {
  a: number;
  b: number;
  c: number;
  d: number;
}

const USUAL = assumptionsWith({});

/** Bands by kin as they usually are; a site may have its own figures. */
export const KNITTING_BANDS: Readonly<Record<KnittingKin, KnittingBand>> = Object.fromEntries(
  KNITTING_KINS.map((kin) => [kin, knittingBand(kin, USUAL)]),
) as Record<KnittingKin, KnittingBand>;

/** Days of full warmth after which a bench graft is callused. Source: usual practice. */
export const CALLUSED = 14;

/**
 * How fast a cut knits at a temperature, as a share of its fastest: 0 up to a and from d on, 1 from b to c, straight
 * between.
 *
 * @throws InputError when the band does not rise or the temperature is no number.
 * @example knittingRate(KNITTING_BANDS.pome, 11) // 0.5
 */
export function knittingRate({ a, b, c, d }: KnittingBand, temperature: number): number {
  if (!(a < b && b <= c && c < d)) throw new InputError('band', 'The four temperatures of a band rise.');
  if (!Number.isFinite(temperature)) throw new InputError('temperature', 'A temperature is missing or no number.');
  if (temperature <= a || temperature >= d) return 0;
  if (temperature < b) return (temperature - a) / (b - a);
  return temperature > c ? (d - temperature) / (d - c) : 1;
}
