import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';

/** What can be done with bench grafts that leafed out in the warmth. */
export interface HoldBack {
  /** The last day they can be held back in the cool and the light. */
  until: IsoDate;
  /** From when on no frost is to be feared outdoors; null where it never freezes. */
  frostFree: IsoDate | null;
  /** The day they are planted by, once that can be; null where frost outlasts them, so that they are potted and kept under cover. */
  plantBy: IsoDate | null;
}

/**
 * Grafts that leafed out too far are held back cool, light and frost-free, and planted once frost is over; where frost lasts
 * longer than they can be held, they have to be potted.
 *
 * @param held days they can be held back
 * @param frostFree the first day after the last frost of their spring; null where it never freezes
 * @example holdBack('2027-04-20', 28, '2027-05-06').plantBy // '2027-05-18'
 */
export function holdBack(leafedOn: IsoDate, held: number, frostFree: IsoDate | null): HoldBack {
  const until = addDays(leafedOn, held);
  return { until, frostFree, plantBy: frostFree === null || frostFree <= until ? until : null };
}

/** The first day at which no frost is to be feared, on a site whose last frost falls on a month and day. */
export function frostFreeAfter(leafedOn: IsoDate, lastFrost: string | null, margin: number): IsoDate | null {
  if (lastFrost === null) return null;
  const year = Number(leafedOn.slice(0, 4));
  const days = [year, year + 1].map((y) => addDays(`${y}-${lastFrost === '02-29' ? '02-28' : lastFrost}`, margin));
  // Whoever leafs out in summer or autumn has no frost behind it to wait for before half a year.
  return days[0]! >= leafedOn ? days[0]! : daysBetween(leafedOn, days[1]!) > HALF_YEAR ? leafedOn : days[1]!;
}

const HALF_YEAR = 183;
