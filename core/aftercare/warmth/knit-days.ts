import { InputError } from '../../contact/input-error';
import { type KnittingBand, knittingRate } from '@/core/plan/phenology/knitting-rate';

/** A reading of a logger: when, ms, and how warm, °C. */
export interface WarmthReading {
  at: number;
  temperature: number;
}

/** What readings of a callus place add up to. */
export interface KnitDays {
  /** Days of full warmth. */
  days: number;
  /** Hours above the band and below freezing: they make no progress, and are evidence where a union dies. */
  heatHours: number;
  frostHours: number;
}

const DAY = 86_400_000;
const HOUR = 3_600_000;
/** A reading stands until the next one, but for no more than so many usual intervals. */
const STANDS = 3;

/**
 * Knitting warmth of a series of readings. The last one stands for nothing: nobody knows until when.
 *
 * @param readings in the order of their times.
 * @throws InputError when times do not rise, or a figure is none.
 * @example knitDays(KNITTING_BANDS.pome, [{ at: 0, temperature: 20 }, { at: 86_400_000, temperature: 20 }]).days // 1
 */
export function knitDays(band: KnittingBand, readings: readonly WarmthReading[]): KnitDays {
  const intervals = readings.slice(1).map(({ at }, i) => at - readings[i]!.at);
  if (intervals.some((interval) => !(interval > 0)))
    throw new InputError('readings', 'Readings stand in the order of their times, each time once.');
  const longest = usualStand(readings.map(({ at }) => at));
  const total: KnitDays = { days: 0, heatHours: 0, frostHours: 0 };
  intervals.forEach((interval, i) => {
    const { temperature } = readings[i]!;
    const stands = Math.min(interval, longest);
    total.days += (knittingRate(band, temperature) * stands) / DAY;
    if (temperature > band.d) total.heatHours += stands / HOUR;
    if (temperature < 0) total.frostHours += stands / HOUR;
  });
  return total;
}

/**
 * For how long a reading stands at most, ms: three usual intervals. The usual one is the middle one, of an even number
 * the lower of both.
 *
 * @param instants ms, rising
 */
export function usualStand(instants: readonly number[]): number {
  const intervals = new Float64Array(Math.max(0, instants.length - 1));
  for (let i = 0; i < intervals.length; i++) intervals[i] = instants[i + 1]! - instants[i]!;
  intervals.sort();
  return STANDS * (intervals[Math.floor((intervals.length - 1) / 2)] ?? 0);
}

/** Readings further apart than this are of two times, ms: a logger may write at another interval the next time. */
const APART = 86_400_000;

/**
 * Where a series falls into stretches of their own: `from` and `to` are places in it, `to` not included.
 *
 * @param instants ms, rising
 */
export function stretchesOf(instants: readonly number[]): { from: number; to: number }[] {
  const stretches: { from: number; to: number }[] = [];
  let from = 0;
  for (let i = 1; i <= instants.length; i++)
    if (i === instants.length || instants[i]! - instants[i - 1]! > APART) {
      stretches.push({ from, to: i });
      from = i;
    }
  return stretches;
}
