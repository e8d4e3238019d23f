import { type DayWeather, problemOfDay } from '@/core/plan/climate/day-weather';
import { parseDecimal } from '@/core/units/decimal';
import { isIsoDate } from '@/core/units/iso-date';
import { columnsOf, readCsvText } from './csv-text';

const HEADERS = {
  date: ['date', 'day'],
  low: ['lowest_c', 'low_c', 'lowest', 'low', 'min_c', 'tmin'],
  high: ['highest_c', 'high_c', 'highest', 'high', 'max_c', 'tmax'],
  lowF: ['lowest_f', 'low_f', 'min_f'],
  highF: ['highest_f', 'high_f', 'max_f'],
  rain: ['rain_mm', 'rain', 'precipitation_mm'],
  rainIn: ['rain_in', 'precipitation_in'],
  simulated: ['simulated'],
} as const;

/** Ten years of days. */
const MOST_DAYS = 3700;
const MM_PER_INCH = 25.4;

/** Days of a site's weather from CSV, in their order; what was left out or put right is said in `notes`. */
export function readWeather(bytes: Uint8Array): { days: DayWeather[]; notes: string[] } | { problem: string } {
  const read = readCsvText(bytes, 'the weather', MOST_DAYS);
  if ('problem' in read) return read;
  const { at, unknown } = columnsOf(read.header, HEADERS);
  const fahrenheit = at.low < 0 && at.lowF >= 0;
  const [low, high] = fahrenheit ? [at.lowF, at.highF] : [at.low, at.high];
  if (at.date < 0 || low < 0 || high < 0)
    return {
      problem: `The columns date, lowest_c and highest_c are needed (or lowest_f and highest_f). The first line has: ${read.header.slice(0, 8).join(', ').slice(0, 120)}.`,
    };
  const celsius = (value: number): number => (fahrenheit ? Math.round(((value - 32) / 1.8) * 10) / 10 : value);
  const days = new Map<string, DayWeather>();
  const notes: string[] = [];
  let repeated = 0;
  for (const { cells, line } of read.rows) {
    const date = (cells[at.date] ?? '').trim();
    if (!isIsoDate(date))
      return { problem: `Line ${line} has "${date.slice(0, 30)}" for the date. Enter it as 2027-04-30.` };
    const [lowest, highest] = [low, high].map((column) => parseDecimal(cells[column] ?? ''));
    if (lowest === null || highest === null)
      return { problem: `Line ${line}: the temperatures of ${date} have to be figures.` };
    const wet = at.rain >= 0 ? at.rain : at.rainIn;
    const fell = wet < 0 ? null : parseDecimal(cells[wet] ?? '');
    const rain = fell !== null && at.rain < 0 ? Math.round(fell * MM_PER_INCH * 10) / 10 : fell;
    const day = { date, low: celsius(lowest!), high: celsius(highest!), rain };
    const problem = problemOfDay(day);
    if (problem) return { problem: `Line ${line}: ${problem}. Mend that line, or choose °C or °F by its heading.` };
    if (days.has(date)) repeated++;
    else days.set(date, day);
  }
  if (days.size === 0) return { problem: 'The file has no day under its headings.' };
  if (repeated > 0)
    notes.push(`${repeated} ${repeated === 1 ? 'day is' : 'days are'} there twice; the first line of each is kept.`);
  if (fahrenheit) notes.push('Read as °F and kept as °C.');
  if (at.simulated >= 0 && read.rows.some(({ cells }) => /^yes$/i.test((cells[at.simulated] ?? '').trim())))
    notes.push('The file says of itself that it is simulated.');
  if (unknown.length > 0) notes.push(`Columns not known and left out: ${unknown.slice(0, 6).join(', ')}.`);
  return { days: [...days.values()].sort((a, b) => (a.date < b.date ? -1 : 1)), notes };
}
