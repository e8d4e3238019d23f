import { DateTime } from 'luxon';
import type { LoggerRun } from '@/core/plan/wood/logger-run';
import { parseDecimal } from '@/core/units/decimal';
import { columnsOf, readCsvText } from './csv-text';

const HEADERS = {
  time: ['time', 'timestamp', 'date', 'datetime', 'date_time', 'time_utc'],
  celsius: ['temperature_c', 'temp_c', 'celsius', 'degc', '°c', 'temperature (c)', 'temperature (°c)'],
  fahrenheit: ['temperature_f', 'temp_f', 'fahrenheit', 'degf', '°f', 'temperature (f)', 'temperature (°f)'],
  bare: ['temperature', 'temp', 'value', 'reading'],
  unit: ['unit', 'units'],
  logger: ['logger', 'logger_name', 'serial', 'serial_number', 'device', 'sensor'],
} as const;

/** More than a year at one reading a minute is no store's log. */
const MOST_READINGS = 550_000;

export interface LoggerFile {
  /** All readings, in order of time. */
  run: LoggerRun;
  /** What was put right or left out, for whoever reads it. */
  notes: string[];
  /** Loggers that the file names. */
  loggers: string[];
}

/**
 * A temperature log: times in any order, with zone or in `zone`, degC or degF by the heading or a
 * column of units. What is repeated is kept once, what cannot be read is left out and said.
 *
 * @param unit of a column headed without one; null asks for it.
 */
export function readLogger(
  bytes: Uint8Array,
  zone: string,
  unit: 'C' | 'F' | null,
): LoggerFile | { problem: string; asksUnit?: boolean } {
  const read = readCsvText(bytes, 'the log', MOST_READINGS);
  if ('problem' in read) return read;
  const { at, unknown } = columnsOf(read.header, HEADERS);
  const column = [at.celsius, at.fahrenheit, at.bare].find((at) => at >= 0) ?? -1;
  if (at.time < 0 || column < 0)
    return {
      problem: `A column "time" and one "temperature_c" or "temperature_f" are needed. The first line has: ${read.header.slice(0, 8).join(', ').slice(0, 120)}.`,
    };
  const headed = column === at.celsius ? 'C' : column === at.fahrenheit ? 'F' : null;
  if (!headed && at.unit < 0 && !unit)
    return {
      problem:
        'The heading does not say whether the temperatures are °C or °F. Choose it beside the file, and read it again.',
      asksUnit: true,
    };
  const timeOf = timeReader(
    read.rows.slice(0, LOOKED_AT).map(({ cells }) => (cells[at.time] ?? '').trim()),
    zone,
  );
  const notes: string[] = [];
  const whens: number[] = [];
  const values: number[] = [];
  const bad: number[] = [];
  const loggers = new Set<string>();
  let fahrenheit = 0;
  let unordered = 0;
  for (const { cells, line } of read.rows) {
    const when = timeOf((cells[at.time] ?? '').trim());
    const value = parseDecimal(cells[column] ?? '');
    if (at.logger >= 0 && cells[at.logger]?.trim()) loggers.add(cells[at.logger]!.trim().slice(0, 60));
    const said =
      at.unit < 0
        ? ''
        : (cells[at.unit] ?? '')
            .trim()
            .toUpperCase()
            .replace(/^(DEG|°)/, '');
    const scale = said === 'C' || said === 'F' ? said : (headed ?? unit ?? 'C');
    if (when === null || value === null) {
      bad.push(line);
      continue;
    }
    if (scale === 'F') fahrenheit++;
    if (whens.length > 0 && when < whens[whens.length - 1]!) unordered++;
    whens.push(when);
    values.push(scale === 'F' ? Math.round(((value - 32) / 1.8) * 100) / 100 : value);
  }
  if (whens.length < 2)
    return {
      problem: `Fewer than two readings could be read${bad.length > 0 ? `; line ${bad[0]} has a time or a temperature that is none` : ''}. Times look like 2027-01-20 14:30.`,
    };
  const { instants, kept } = inOrder(unordered, whens, values);
  const repeated = whens.length - instants.length;
  if (fahrenheit > 0)
    notes.push(
      `Read as °F and kept as °C${fahrenheit < whens.length ? ` in ${fahrenheit} of ${whens.length} readings` : ''}.`,
    );
  if (bad.length > 0)
    notes.push(
      `Left out ${bad.length} ${bad.length === 1 ? 'line' : 'lines'} that could not be read, the first is line ${bad[0]}.`,
    );
  if (unordered > 0)
    notes.push(`Times were out of order in ${unordered} ${unordered === 1 ? 'place' : 'places'}; sorted.`);
  if (repeated > 0)
    notes.push(`${repeated} repeated ${repeated === 1 ? 'time' : 'times'}; the first reading of each is kept.`);
  if (unknown.length > 0) notes.push(`Columns not known and left out: ${unknown.slice(0, 6).join(', ')}.`);
  const wild = kept.filter((value) => value < -60 || value > 60).length;
  if (wild > 0)
    return {
      problem: `${wild} ${wild === 1 ? 'reading lies' : 'readings lie'} outside -60 to 60 °C. If the file is in °F, choose that beside it and read it again.`,
      asksUnit: true,
    };
  if (instants.length < 2) return { problem: 'All readings have one and the same time. Check the column of times.' };
  return { run: { instants, values: kept }, notes, loggers: [...loggers] };
}

/** How a file writes its times, and which group of the pattern is year, month, day, hour, minute, second and offset. */
const FORMATS: { pattern: RegExp; groups: [number, number, number, number, number, number, number] }[] = [
  // 2027-01-20T14:30:00+01:00, also with a space and without seconds, time or zone.
  {
    pattern:
      /^(\d{4})-(\d{2})-(\d{2})(?:[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(Z|[+-]\d{2}(?::?\d{2})?)?)?$/i,
    groups: [1, 2, 3, 4, 5, 6, 7],
  },
  { pattern: /^(\d{1,2})\.(\d{1,2})\.(\d{4})[ T](\d{1,2}):(\d{2})(?::(\d{2}))?$/, groups: [3, 2, 1, 4, 5, 6, 7] },
  { pattern: /^(\d{4})\/(\d{1,2})\/(\d{1,2})[ T](\d{1,2}):(\d{2})(?::(\d{2}))?$/, groups: [1, 2, 3, 4, 5, 6, 7] },
];
/** Lines looked at to see how a file writes its times. */
const LOOKED_AT = 200;

/** Readings in the order of time, each instant once. */
function inOrder(unordered: number, whens: number[], values: number[]): { instants: number[]; kept: number[] } {
  const order = unordered > 0 ? whens.map((_, i) => i).sort((a, b) => whens[a]! - whens[b]!) : null;
  const instants: number[] = [];
  const kept: number[] = [];
  for (let i = 0; i < whens.length; i++) {
    const place = order ? order[i]! : i;
    if (whens[place] === instants.at(-1)) continue;
    instants.push(whens[place]!);
    kept.push(values[place]!);
  }
  return { instants, kept };
}

/**
 * Reads the times of a file, ms since 1970, in the way its first lines are written; null for what is none. A time without a zone is in `zone`.
 *
 * @param texts the first of them.
 */
function timeReader(texts: readonly string[], zone: string): (text: string) => number | null {
  const counts = FORMATS.map(({ pattern }) => texts.filter((text) => pattern.test(text)).length);
  const {
    pattern,
    groups: [year, month, day, hour, minute, second, offset],
  } = FORMATS[counts.indexOf(Math.max(...counts))]!;
  const local = zoneClock(zone);
  return (text) => {
    const found = pattern.exec(text);
    if (!found) return null;
    const [y, m, d] = [Number(found[year]), Number(found[month]), Number(found[day])];
    const [h, min, s] = [Number(found[hour] ?? 0), Number(found[minute] ?? 0), Number(found[second] ?? 0)];
    if (m < 1 || m > 12 || d < 1 || d > daysIn(y, m) || h > 23 || min > 59 || s > 59) return null;
    const utc = Date.UTC(y, m - 1, d, h, min, s);
    const zoned = found[offset];
    return zoned === undefined ? local(utc) : utc - offsetMinutes(zoned) * 60_000;
  };
}

function daysIn(year: number, month: number): number {
  return month === 2
    ? year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0)
      ? 29
      : 28
    : [4, 6, 9, 11].includes(month)
      ? 30
      : 31;
}

function offsetMinutes(text: string): number {
  if (/^z$/i.test(text)) return 0;
  const [, sign, hours, minutes = '0'] = /^([+-])(\d{2}):?(\d{2})?$/.exec(text)!;
  return (sign === '-' ? -1 : 1) * (Number(hours) * 60 + Number(minutes));
}

/** The instant at which clocks in a zone show a time. A day that begins and ends with the same clock has it throughout; others are looked up by half hours. */
function zoneClock(zone: string): (local: number) => number {
  const DAY = 86_400_000;
  const HALF = 1_800_000;
  const shifts = new Map<number, number>();
  const lookUp = (local: number): number => {
    const shown = new Date(local);
    return (
      DateTime.fromObject(
        {
          year: shown.getUTCFullYear(),
          month: shown.getUTCMonth() + 1,
          day: shown.getUTCDate(),
          hour: shown.getUTCHours(),
          minute: shown.getUTCMinutes(),
        },
        { zone },
      ).toMillis() - local
    );
  };
  const once = (at: number): number => {
    let by = shifts.get(at);
    if (by === undefined) shifts.set(at, (by = lookUp(at)));
    return by;
  };
  return (local) => {
    const day = local - (local % DAY);
    const morning = once(day);
    return local + (morning === once(day + DAY) ? morning : once(local - (local % HALF)));
  };
}
