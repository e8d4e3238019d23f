import { addDays, type IsoDate } from '@/core/units/iso-date';

export interface DemoDates {
  past: IsoDate;
  upcoming: IsoDate;
  round: { opensOn: IsoDate; closesOn: IsoDate };
}

/**
 * Dates of the demo as seen from the day it is loaded: the last mid-March Saturday at least sixty
 * days back, the next late-February Saturday at least a week ahead, and a round that is open now.
 */
export function demoDates(today: IsoDate): DemoDates {
  const year = Number(today.slice(0, 4));
  const past = [0, 1, 2]
    .map((back) => saturdayFrom(`${year - back}-03-11`))
    .find((date) => date <= addDays(today, -60))!;
  const upcoming = [0, 1]
    .map((ahead) => saturdayFrom(`${year + ahead}-02-22`))
    .find((date) => date >= addDays(today, 7))!;
  return { past, upcoming, round: { opensOn: addDays(today, -12), closesOn: addDays(today, 16) } };
}

function saturdayFrom(date: IsoDate): IsoDate {
  const day = new Date(`${date}T00:00:00Z`).getUTCDay();
  return addDays(date, (6 - day + 7) % 7);
}
