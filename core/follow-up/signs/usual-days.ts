import type { DailyWarmth } from '../../aftercare/plan/task-days';
import { movedWindow } from '../../aftercare/warmth/stretched-window';
import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';

/** A day of usual warmth falls within these shares of its number, whatever the weather. */
const SHORTEST = 0.6;
const LONGEST = 2;
const REACHED = 1e-9;

/**
 * Days of usual warmth since a union was made: the number of the last such day that has come, the other way round of
 * how windows are moved.
 *
 * @param warmth of the days since it was made; days beyond it count as usual ones
 * @throws RangeError for a day before it was made
 * @example usualDay('2027-03-06', '2027-03-26') // 20
 */
export function usualDay(madeOn: IsoDate, seenOn: IsoDate, warmth?: DailyWarmth): number {
  const days = daysBetween(madeOn, seenOn);
  if (!(days >= 0)) throw new RangeError('A union is seen on the day it was made, or later.');
  if (!warmth) return days;
  let sum = 0;
  for (let i = 0; i < days; i++) sum += i < warmth.rates.length ? warmth.rates[i]! / warmth.references[i]! : 1;
  return Math.floor(Math.min(Math.max(sum, days / LONGEST), days / SHORTEST) + REACHED);
}

/** The date on which a day of usual warmth falls. */
export function dateOfUsualDay(madeOn: IsoDate, day: number, warmth?: DailyWarmth): IsoDate {
  if (!warmth) return addDays(madeOn, Math.ceil(day));
  return addDays(madeOn, movedWindow([day, day, day], warmth.rates, warmth.references)[0]);
}
