import { daysBetween, type IsoDate } from '../../units/iso-date';

/** What was seen of a union, by its code, and when. */
interface Seen {
  about: string;
  seenOn: IsoDate;
}

const YEAR = 365.25;
/** Years of a union in which two kinds that do not suit each other mostly show it. Source: usual practice, compatibility. */
const SHOWS = { from: 2, to: 10 };

const SIGNS = {
  snapped: 'it broke at the union',
  overgrown: 'one side outgrows the other',
  'red-early': 'its leaves turn red early',
} as const;

/**
 * Signs of a pair that does not suit after all, seen in the years in which that shows, in words; none in earlier years, where
 * a break is wind and red leaves are hunger, and none later.
 *
 * @example delayedIncompatibility([{ about: 'overgrown', seenOn: '2030-09-01' }], '2027-03-06') // ['one side outgrows the other']
 */
export function delayedIncompatibility(seen: readonly Seen[], madeOn: IsoDate): string[] {
  const found = seen.filter(({ about, seenOn }) => {
    const age = daysBetween(madeOn, seenOn) / YEAR;
    return about in SIGNS && age >= SHOWS.from - 1 && age <= SHOWS.to;
  });
  return [...new Set(found.map(({ about }) => SIGNS[about as keyof typeof SIGNS]))];
}
