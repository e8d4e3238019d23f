import { addDays, daysBetween, type IsoDate } from '../units/iso-date';

/** Trees on their own roots and grafts alike seldom bear before so many days. */
const LEAST_DAYS = 500;
/** A round about the crop is open for so long. */
const OPEN_DAYS = 60;

/**
 * The round that asks after the crop, for trials of varieties: offered once a plant can bear at all, once in a calendar
 * year.
 *
 * @param asked days on which rounds about the crop were opened
 */
export function cropRound(
  madeOn: IsoDate,
  today: IsoDate,
  asked: readonly IsoDate[],
): { opensOn: IsoDate; closesOn: IsoDate } | null {
  if (daysBetween(madeOn, today) < LEAST_DAYS) return null;
  if (asked.some((day) => day.slice(0, 4) === today.slice(0, 4))) return null;
  return { opensOn: today, closesOn: addDays(today, OPEN_DAYS) };
}
