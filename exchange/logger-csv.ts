import { DateTime } from 'luxon';
import type { Reading } from '@/core/wood/logger-run';
import { parseDecimal } from '@/core/units/decimal';
import { columnsOf, readCsvText } from './csv-text';

const HEADERS = {
  time: ['time', 'timestamp', 'date', 'datetime', 'date_time', 'time_utc'],
  celsius: ['temperature_c', 'temp_c', 'celsius', 'degc', '°c', 'temperature (c)', 'temperature (°c)'],
  fahrenheit: ['temperature_f', 'temp_f', 'fahrenheit', 'degf', '°f', 'temperature (f)', 'temperature (°f)'],
  bare: ['temperature', 'temp', 'value', 'reading'],
  unit: ['unit', 'units'],
} as const;

/** More than a year at one reading a minute is no store's log. */
const MOST_READINGS = 550_000;
/** Kept of a run; a longer one keeps every second, third... reading. */
const KEPT = 5000;

export interface LoggerFile {
  readings: Reading[];
  /** What was put right or left out, for whoever reads it. */
  notes: string[];
}

/**
 * A temperature log: times in any order, with zone or in `zone`, degC or degF by the heading or a
 * column of units. What is repeated is kept once, what cannot be read is left out and said.
 *
 * @param unit of a column headed without one; null asks for it.
 */
export function readLogger(bytes: Uint8Array, zone: string, unit: 'C' | 'F' | null): LoggerFile | { problem: string; asksUnit?: boolean } {
  const read = readCsvText(bytes, 'the log');
  if ('problem' in read) return read;
  const { at, unknown } = columnsOf(read.header, HEADERS);
  const column = [at.celsius, at.fahrenheit, at.bare].find((one) => one >= 0) ?? -1;
  if (at.time < 0 || column < 0) return { problem: `A column "time" and one "temperature_c" or "temperature_f" are needed. The first line has: ${read.header.slice(0, 8).join(', ').slice(0, 120)}.` };
  if (read.rows.length > MOST_READINGS) return { problem: `The file has ${read.rows.length} readings. Cut out the stretch the wood lay in store.` };
  const headed = column === at.celsius ? 'C' : column === at.fahrenheit ? 'F' : null;
  if (!headed && at.unit < 0 && !unit) return { problem: 'The heading does not say whether the temperatures are °C or °F. Choose it beside the file, and read it again.', asksUnit: true };
  const notes: string[] = [];
  const found: { reading: Reading; line: number }[] = [];
  const bad: number[] = [];
  let fahrenheit = 0;
  for (const { cells, line } of read.rows) {
    const when = timeOf((cells[at.time] ?? '').trim(), zone);
    const value = parseDecimal(cells[column] ?? '');
    const said = at.unit < 0 ? '' : (cells[at.unit] ?? '').trim().toUpperCase().replace(/^(DEG|°)/, '');
    const scale = said === 'C' || said === 'F' ? said : (headed ?? unit ?? 'C');
    if (when === null || value === null) {
      bad.push(line);
      continue;
    }
    if (scale === 'F') fahrenheit++;
    found.push({ line, reading: { at: when, value: scale === 'F' ? Math.round(((value - 32) / 1.8) * 100) / 100 : value } });
  }
  if (found.length < 2) return { problem: `Fewer than two readings could be read${bad.length > 0 ? `; line ${bad[0]} has a time or a temperature that is none` : ''}. Times look like 2027-01-20 14:30.` };
  const sorted = [...found].sort((a, b) => a.reading.at.localeCompare(b.reading.at));
  const unordered = found.filter((one, i) => i > 0 && one.reading.at < found[i - 1]!.reading.at).length;
  const readings: Reading[] = [];
  let repeated = 0;
  for (const { reading } of sorted) {
    if (readings.at(-1)?.at === reading.at) repeated++;
    else readings.push(reading);
  }
  if (fahrenheit > 0) notes.push(`Read as °F and kept as °C${fahrenheit < found.length ? ` in ${fahrenheit} of ${found.length} readings` : ''}.`);
  if (bad.length > 0) notes.push(`Left out ${bad.length} ${bad.length === 1 ? 'line' : 'lines'} that could not be read, the first is line ${bad[0]}.`);
  if (unordered > 0) notes.push(`Times were out of order in ${unordered} ${unordered === 1 ? 'place' : 'places'}; sorted.`);
  if (repeated > 0) notes.push(`${repeated} repeated ${repeated === 1 ? 'time' : 'times'}; the first reading of each is kept.`);
  if (unknown.length > 0) notes.push(`Columns not known and left out: ${unknown.slice(0, 6).join(', ')}.`);
  const wild = readings.filter(({ value }) => value < -60 || value > 60).length;
  if (wild > 0) return { problem: `${wild} ${wild === 1 ? 'reading lies' : 'readings lie'} outside -60 to 60 °C. If the file is in °F, choose that beside it and read it again.`, asksUnit: true };
  if (readings.length < 2) return { problem: 'All readings have one and the same time. Check the column of times.' };
  return { readings: thinned(readings), notes };
}

/** An instant, ISO in UTC; a time without a zone is the site's. */
function timeOf(text: string, zone: string): string | null {
  for (const parsed of [DateTime.fromISO(text.replace(' ', 'T'), { zone }), ...['dd.MM.yyyy HH:mm', 'dd.MM.yyyy HH:mm:ss', 'yyyy/MM/dd HH:mm', 'yyyy/MM/dd HH:mm:ss'].map((format) => DateTime.fromFormat(text, format, { zone }))]) {
    if (parsed.isValid) return parsed.toUTC().toISO({ suppressMilliseconds: true });
  }
  return null;
}

function thinned(readings: Reading[]): Reading[] {
  const every = Math.ceil(readings.length / KEPT);
  return every === 1 ? readings : readings.filter((_, i) => i % every === 0 || i === readings.length - 1);
}
