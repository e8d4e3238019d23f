/** A calendar date, YYYY-MM-DD, in the zone of the site it belongs to. */
export type IsoDate = string;

/** Days of the months of a year that starts in March, so that the day a leap year has more comes last. */
const MARCH_MONTHS = [31, 30, 31, 30, 31, 31, 30, 31, 30, 31, 31, 29];

/**
 * Days since 1970-01-01. Calendars are walked day by day, for hundreds of days a page, which is too
 * often to make a `Date` each time: counted by the years, centuries and four centuries gone by.
 *
 * @throws Error when it is no existing date of the form YYYY-MM-DD.
 */
function dayNumber(date: IsoDate): number {
  const number = dayOf(date);
  if (number === null) throw new Error(`"${date}" is not a date of the form YYYY-MM-DD.`);
  return number;
}

/** The number of a day; null for a text that is no existing date. */
function dayOf(date: string): number | null {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date)) return null;
  const [year, month, day] = [Number(date.slice(0, 4)), Number(date.slice(5, 7)), Number(date.slice(8))];
  const marchMonth = (month + 9) % 12;
  const leap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  if (month < 1 || month > 12 || day < 1 || day > MARCH_MONTHS[marchMonth]! - (month === 2 && !leap ? 1 : 0))
    return null;
  const marchYear = month < 3 ? year - 1 : year;
  return (
    365 * marchYear +
    Math.floor(marchYear / 4) -
    Math.floor(marchYear / 100) +
    Math.floor(marchYear / 400) +
    daysBefore(marchMonth) +
    day -
    719_469
  );
}

/** Days of a year that starts in March before its month (0 to 11). */
function daysBefore(marchMonth: number): number {
  return Math.floor((153 * marchMonth + 2) / 5);
}

/** The date of a day counted from 1970-01-01. */
function dateOfDay(number: number): IsoDate {
  const sinceMarch0 = number + 719_468;
  const fourCenturies = Math.floor(sinceMarch0 / 146_097);
  const ofThem = sinceMarch0 - fourCenturies * 146_097;
  const yearOfThem = Math.floor(
    (ofThem - Math.floor(ofThem / 1460) + Math.floor(ofThem / 36_524) - Math.floor(ofThem / 146_096)) / 365,
  );
  const ofYear = ofThem - (365 * yearOfThem + Math.floor(yearOfThem / 4) - Math.floor(yearOfThem / 100));
  const marchMonth = Math.floor((5 * ofYear + 2) / 153);
  const month = marchMonth < 10 ? marchMonth + 3 : marchMonth - 9;
  const year = fourCenturies * 400 + yearOfThem + (month < 3 ? 1 : 0);
  if (year < 0 || year > 9999) throw new Error('A date lies between the years 0 and 9999.');
  return `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(ofYear - daysBefore(marchMonth) + 1).padStart(2, '0')}`;
}

/** True for an existing calendar date written YYYY-MM-DD. */
export function isIsoDate(text: string): boolean {
  return dayOf(text) !== null;
}

/** The date `days` after (negative: before) `date`. */
export function addDays(date: IsoDate, days: number): IsoDate {
  return dateOfDay(dayNumber(date) + Math.round(days));
}

/** First and last day that calendars are reckoned for. */
const RECKONED = { from: '1900-01-01', to: '2200-12-31' };

/**
 * A day that calendars can be reckoned for: itself, or the nearest one when its year cannot be right.
 * Whoever shows it says so.
 *
 * @example reckonedDay('0027-03-06') // '1900-01-01'
 */
export function reckonedDay(date: IsoDate): IsoDate {
  return date < RECKONED.from ? RECKONED.from : date > RECKONED.to ? RECKONED.to : date;
}

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return dayNumber(to) - dayNumber(from);
}

const SHORT_MONTHS = Array.from({ length: 12 }, (_, month) =>
  new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' }).format(Date.UTC(2027, month)),
);

/** A date for reading: "14 Mar 2027". */
export function formatDate(date: IsoDate): string {
  dayNumber(date);
  return `${Number(date.slice(8))} ${SHORT_MONTHS[Number(date.slice(5, 7)) - 1]} ${date.slice(0, 4)}`;
}
