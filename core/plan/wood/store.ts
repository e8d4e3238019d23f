import { addDays, type IsoDate } from '../../units/iso-date';

/** Range a store of dormant wood should keep, degC. Source: usual practice, the year. */
export const STORE = { from: 0, to: 4 };

/** Dormant wood is past use so many days after it was cut, however cold it lay: our guess. */
const KEEPS_DAYS = 200;

/** Whether dormant wood that was cut on a day has lain in the cold for too long to be grafted. */
export function keptTooLong(cutOn: IsoDate, today: IsoDate): boolean {
  return addDays(cutOn, KEEPS_DAYS) < today;
}
