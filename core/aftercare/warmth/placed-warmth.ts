import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';
import type { DailyWarmth } from '../plan/task-days';

/** From a day on, where a plant stood; null where nobody said. */
export interface Stay {
  from: IsoDate;
  placeId: string | null;
}

/** How fast cuts knit on a day at a place, and on a usual day there. */
export interface RateOfDay {
  rate: number;
  reference: number;
}

/** Where a plant stood at the end of a day; null before the first stay and where nobody said. */
export function placeOn(stays: readonly Stay[], day: IsoDate): string | null {
  let place: string | null = null;
  for (const stay of stays) if (stay.from <= day) place = stay.placeId;
  return place;
}

/**
 * The warmth a union had on each day since the one after it was made, from the places it stood in.
 *
 * @param stays in the order of their days
 * @param until the last day that counts
 * @param rateAt of a place on a day; null for a usual day
 */
export function placedWarmth(
  madeOn: IsoDate,
  stays: readonly Stay[],
  until: IsoDate,
  rateAt: (placeId: string | null, day: IsoDate) => RateOfDay | null,
): DailyWarmth {
  const days = Math.max(0, daysBetween(madeOn, until));
  const usual = { rate: 1, reference: 1 };
  const each = Array.from({ length: days }, (_, i) => {
    const day = addDays(madeOn, i + 1);
    return rateAt(placeOn(stays, day), day) ?? usual;
  });
  return { rates: each.map(({ rate }) => rate), references: each.map(({ reference }) => reference) };
}
