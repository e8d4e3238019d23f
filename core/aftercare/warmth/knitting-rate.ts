import { InputError } from '../../contact/input-error';

/** Temperatures between which cuts of a kind knit, °C: from `a` on, fully from `b` to `c`, and no more from `d` on. */
export interface KnittingBand {
  a: number;
  b: number;
  c: number;
  d: number;
}

/**
 * Bands by kin. Source: the trade's callusing temperatures for the full range (b, c); where it begins and ends is a
 * guess, but for the 7 °C of pome fruit and the 32 °C above which nearly nothing knits.
 */
export const KNITTING_BANDS = {
  pome: { a: 7, b: 15, c: 27, d: 32 },
  stone: { a: 10, b: 18, c: 24, d: 32 },
  walnut: { a: 18, b: 24, c: 29, d: 32 },
  hickory: { a: 18, b: 24, c: 29, d: 32 },
  grape: { a: 15, b: 24, c: 30, d: 33 },
  persimmon: { a: 12, b: 20, c: 27, d: 32 },
  mulberry: { a: 12, b: 20, c: 27, d: 32 },
  fig: { a: 12, b: 20, c: 27, d: 32 },
  citrus: { a: 13, b: 22, c: 30, d: 34 },
  mango: { a: 15, b: 22, c: 30, d: 34 },
} satisfies Record<string, KnittingBand>;

export type KnittingKin = keyof typeof KNITTING_BANDS;

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
