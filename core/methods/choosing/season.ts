import type { Season } from '../use';

export type Climate = 'north' | 'south' | 'tropics';

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** Month and day as a day of the year of 366 days. */
function dayOf(monthDay: string): number {
  const [month, day] = monthDay.split('-').map(Number) as [number, number];
  return [0, 31, 60, 91, 121, 152, 182, 213, 244, 274, 305, 335][month - 1]! + day;
}

/** Day of the year as the north has it: the south is six months ahead. */
function northernDay(date: string, climate: Climate): number {
  const day = dayOf(date.slice(5));
  return climate === 'south' ? ((day - 1 + 183) % 366) + 1 : day;
}

/**
 * Whether a date lies in a season, which is told in northern months. In the tropics there is no
 * winter: what is done with a growing shoot is done whenever it flushes, what wants dormant wood never.
 */
export function isInSeason(season: Season, date: string, climate: Climate, flushes: boolean): boolean {
  if (climate === 'tropics') return flushes || season.wood.every((wood) => wood === 'budwood' || wood === 'tip');
  const day = northernDay(date, climate);
  return day >= dayOf(season.from) && day <= dayOf(season.to);
}

/** The season that a day lies in or is fewest days away from, before or after; null for a method without any. */
export function nearestSeason(seasons: Season[], date: string, climate: Climate): Season | null {
  const today = northernDay(date, climate);
  const away = (season: Season): number => {
    const [ahead, since] = [(dayOf(season.from) - today + 366) % 366, (today - dayOf(season.to) + 366) % 366];
    return isInSeason(season, date, climate, false) ? 0 : Math.min(ahead, since);
  };
  return [...seasons].sort((a, b) => away(a) - away(b))[0] ?? null;
}

/** The season that opens next, and about when there; null where none ever does. */
export function nextOpening(
  seasons: Season[],
  date: string,
  climate: Climate,
): { season: Season; date: string } | null {
  if (climate === 'tropics') return null;
  const today = northernDay(date, climate);
  const ahead = (season: Season): number => (dayOf(season.from) - today + 366) % 366;
  const [season] = [...seasons].sort((a, b) => ahead(a) - ahead(b));
  if (!season) return null;
  const [month, day] = season.from.split('-').map(Number) as [number, number];
  const there = climate === 'south' ? (month + 5) % 12 : month - 1;
  return { season, date: `${day < 11 ? 'early' : day < 21 ? 'mid' : 'late'} ${MONTHS[there]}` };
}
