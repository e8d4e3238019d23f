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

export interface LoggerFile {
  /** All of them, in order of time. */
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
  const read = readCsvText(bytes, 'the log', MOST_READINGS);
  if ('problem' in read) return read;
  const { at, unknown } = columnsOf(read.header, HEADERS);
  const column = [at.celsius, at.fahrenheit, at.bare].find((one) => one >= 0) ?? -1;
  if (at.time < 0 || column < 0) return { problem: `A column "time" and one "temperature_c" or "temperature_f" are needed. The first line has: ${read.header.slice(0, 8).join(', ').slice(0, 120)}.` };
  const headed = column === at.celsius ? 'C' : column === at.fahrenheit ? 'F' : null;
  if (!headed && at.unit < 0 && !unit) return { problem: 'The heading does not say whether the temperatures are °C or °F. Choose it beside the file, and read it again.', asksUnit: true };
  const timeOf = timeReader(read.rows.map(({ cells }) => (cells[at.time] ?? '').trim()), zone);
  const notes: string[] = [];
  const found: { reading: Reading; line: number }[] = [];
  const bad: number[] = [];
  let fahrenheit = 0;
  for (const { cells, line } of read.rows) {
    const when = timeOf((cells[at.time] ?? '').trim());
    const value = parseDecimal(cells[column] ?? '');
    const said = at.unit < 0 ? '' : (cells[at.unit] ?? '').trim().toUpperCase().replace(/^(DEG|°)/, '');
    const scale = said === 'C' || said === 'F' ? said : (headed ?? unit ?? 'C');
    if (when === null || value === null) {
      bad.push(line);
      continue;
    }
    if (scale === 'F') fahrenheit++;
    found.push({ line, reading: { at: new Date(when).toISOString().replace('.000Z', 'Z'), value: scale === 'F' ? Math.round(((value - 32) / 1.8) * 100) / 100 : value } });
  }
  if (found.length < 2) return { problem: `Fewer than two readings could be read${bad.length > 0 ? `; line ${bad[0]} has a time or a temperature that is none` : ''}. Times look like 2027-01-20 14:30.` };
  const sorted = [...found].sort((a, b) => (a.reading.at < b.reading.at ? -1 : a.reading.at > b.reading.at ? 1 : 0));
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
  return { readings, notes };
}

/** How a file writes its times; the order of day and month is never guessed from figures that could be either. */
const FORMATS: { pattern: RegExp; parts: (found: RegExpExecArray) => (string | undefined)[] }[] = [
  // 2027-01-20T14:30:00+01:00, also with a space and without seconds, time or zone.
  { pattern: /^(\d{4})-(\d{2})-(\d{2})(?:[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(Z|[+-]\d{2}(?::?\d{2})?)?)?$/i, parts: ([, ...parts]) => parts },
  { pattern: /^(\d{1,2})\.(\d{1,2})\.(\d{4})[ T](\d{1,2}):(\d{2})(?::(\d{2}))?$/, parts: ([, day, month, year, ...time]) => [year, month, day, ...time] },
  { pattern: /^(\d{4})\/(\d{1,2})\/(\d{1,2})[ T](\d{1,2}):(\d{2})(?::(\d{2}))?$/, parts: ([, ...parts]) => parts },
];
/** Lines looked at to see how a file writes its times. */
const LOOKED_AT = 200;

/** Reads the times of a file, ms since 1970, in the way its first lines are written; null for what is none. A time without a zone is in `zone`. */
function timeReader(texts: readonly string[], zone: string): (text: string) => number | null {
  const first = texts.slice(0, LOOKED_AT);
  const counts = FORMATS.map(({ pattern }) => first.filter((text) => pattern.test(text)).length);
  const { pattern, parts } = FORMATS[counts.indexOf(Math.max(...counts))]!;
  const local = zoneClock(zone);
  return (text) => {
    const found = pattern.exec(text);
    if (!found) return null;
    const [year, month, day, hour = '0', minute = '0', second = '0', offset] = parts(found);
    const [m, d, h, min, s] = [Number(month), Number(day), Number(hour), Number(minute), Number(second)];
    const utc = Date.UTC(Number(year), m - 1, d, h, min, s);
    const made = new Date(utc);
    if (h > 23 || min > 59 || s > 59 || made.getUTCMonth() !== m - 1 || made.getUTCDate() !== d) return null;
    if (offset === undefined) return local(utc);
    return utc - offsetMinutes(offset) * 60_000;
  };
}

function offsetMinutes(text: string): number {
  if (/^z$/i.test(text)) return 0;
  const [, sign, hours, minutes = '0'] = /^([+-])(\d{2}):?(\d{2})?$/.exec(text)!;
  return (sign === '-' ? -1 : 1) * (Number(hours) * 60 + Number(minutes));
}

/** The instant at which clocks in a zone show a time. Clocks are put on and back at full hours or halves, so each half hour is looked up once. */
function zoneClock(zone: string): (local: number) => number {
  const HALF = 1_800_000;
  const shift = new Map<number, number>();
  return (local) => {
    const slot = Math.floor(local / HALF);
    let by = shift.get(slot);
    if (by === undefined) {
      const shown = new Date(slot * HALF);
      const there = DateTime.fromObject({ year: shown.getUTCFullYear(), month: shown.getUTCMonth() + 1, day: shown.getUTCDate(), hour: shown.getUTCHours(), minute: shown.getUTCMinutes() }, { zone });
      by = there.toMillis() - slot * HALF;
      shift.set(slot, by);
    }
    return local + by;
  };
}
