import { addDays, daysBetween } from '../../units/iso-date';
import { dayNormals } from './day-normals';
import { degreeDays } from './degree-days';
import type { Normals } from './normals';

/** What somebody knows of a place without having its figures; month and day. */
export interface KnownDates {
  hemisphere: 'north' | 'south';
  lastFrost: string;
  firstFrost: string;
  /** When apples are in full bloom there, or null. */
  appleBloom: string | null;
}

/** Any year without a leap day. */
const YEAR = 2027;
/** The coldest day of a northern year, as a rule. */
const COLDEST = `${YEAR}-01-18`;
/** Usual mean of the day on which frosts end and begin, degC, and from lowest to highest of a day. Guesses, near those of a dozen places. */
const MEAN_AT_FROST = 11.5;
const DAY_RANGE = 10;
/** No month of a place that has frost is warmer on average, degC; a guess. */
const WARMEST_MONTH = 28;
/** Half from the coldest to the warmest day of a year, degC. */
const SWING = { least: 4, most: 17 };
/** Warmth above 5 degC from midwinter to full bloom of apples, degC days: between their leaves and their slipping bark. A guess. */
const BLOOM = { base: 5, sum: 230 };

/**
 * Monthly temperatures of a usual year, estimated from the two frost dates and, where it is known, from when apples bloom:
 * a wave through the year that is as warm on both frost dates as such days are, and brings apples into bloom on their day.
 * Without the bloom, the shorter the season the further apart winter and summer.
 *
 * @returns degC, January first
 * @throws RangeError where the dates leave no season between them
 */
export function normalsFromFrosts({ hemisphere, lastFrost, firstFrost, appleBloom }: KnownDates): Normals {
  // Reckoned in the north; a southern year is half a year on.
  const north = (monthDay: string): string => {
    const day = `${YEAR}-${monthDay === '02-29' ? '02-28' : monthDay}`;
    return hemisphere === 'north' ? day : `${YEAR}${addDays(day, -182).slice(4)}`;
  };
  const [last, first] = [north(lastFrost), north(firstFrost)];
  const season = (daysBetween(last, first) + 365) % 365;
  if (season < 40 || season > 350)
    throw new RangeError('Check the frost dates: the last frost is in spring and the first in autumn.');
  const phase = (day: string): number => Math.cos((2 * Math.PI * daysBetween(COLDEST, day)) / 365);
  const atFrosts = (phase(last) + phase(first)) / 2;
  const yearWith = (swing: number): Normals => {
    const middle = MEAN_AT_FROST + swing * atFrosts;
    const means = Array.from({ length: 12 }, (_, i) => {
      const mid = `${YEAR}-${String(i + 1).padStart(2, '0')}-15`;
      return middle - swing * phase(mid);
    });
    const round = (value: number): number => Math.round(value * 10) / 10;
    return {
      low: means.map((mean) => round(mean - DAY_RANGE / 2)),
      high: means.map((mean) => round(mean + DAY_RANGE / 2)),
    };
  };
  const usual = Math.max(SWING.least, Math.min(SWING.most, 14.5 - 0.045 * (season - 130)));
  const year = yearWith(appleBloom === null ? usual : swingFor(north(appleBloom), usual, yearWith));
  if (hemisphere === 'north') return year;
  const turned = (months: number[]): number[] => [...months.slice(6), ...months.slice(0, 6)];
  return { low: turned(year.low), high: turned(year.high) };
}

/** What a year is said to come from whose temperatures nobody entered. */
export const estimateSource = (appleBloom: string | null): string =>
  `estimated from frost dates${appleBloom === null ? '' : ' and apple bloom'}`;

/** The swing by which apples bloom on their day; of those that do it as well, the nearest to the usual one. */
function swingFor(bloom: string, usual: number, yearWith: (swing: number) => Normals): number {
  let best = { swing: usual, off: Infinity };
  for (let swing = SWING.least; swing <= SWING.most; swing += 0.25) {
    const year = yearWith(swing);
    // A bloom date that is entered too early must not make a desert of the summer.
    if (Math.max(...year.high) - DAY_RANGE / 2 > WARMEST_MONTH) continue;
    const off = Math.abs(daysBetween(bloomOf(year), bloom));
    const nearer = Math.abs(swing - usual) < Math.abs(best.swing - usual);
    if (off < best.off || (off === best.off && nearer)) best = { swing, off };
  }
  return best.swing;
}

function bloomOf(normals: Normals): string {
  let sum = 0;
  for (let i = 0; i < 365; i++) {
    const day = addDays(`${YEAR}-01-01`, i);
    const { low, high } = dayNormals(normals, day);
    sum += degreeDays(low, high, BLOOM.base);
    if (sum >= BLOOM.sum) return day;
  }
  return `${YEAR}-12-31`;
}
