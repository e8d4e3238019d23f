import Papa from 'papaparse';
import type { RosterLine } from '@/core/roster/roster-line';

export interface Roster {
  lines: RosterLine[];
  /** What keeps the whole file from being read, or null. */
  problem: string | null;
}

/** A workshop seats this many at the very most; a longer file is not its roster. */
export const MOST_LINES = 500;

const HEADERS: Record<'name' | 'email' | 'phone' | 'leave', string[]> = {
  name: ['name', 'full name', 'person', 'participant', 'student'],
  email: ['e-mail', 'email', 'mail', 'e-mail address', 'email address'],
  phone: ['phone', 'telephone', 'tel', 'mobile', 'phone number'],
  leave: ['leave', 'leave to be contacted', 'may be contacted', 'may contact', 'contact', 'consent'],
};
const YES = new Set(['yes', 'y', 'true', '1', 'x']);
const NO = new Set(['no', 'n', 'false', '0', '']);

/**
 * Reads a roster: UTF-8 with or without a byte order mark, comma or semicolon, columns by header in
 * any order. Nothing is guessed: what cannot be read is said with its line.
 */
export function readRoster(bytes: Uint8Array): Roster {
  const failed = (problem: string): Roster => ({ lines: [], problem });
  if (bytes.length >= 2 && ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff))) {
    return failed('The file is in UTF-16. Save it again as CSV in UTF-8 and choose it once more.');
  }
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return failed('The file is not in UTF-8, so names would be damaged. Save it again as CSV in UTF-8 and choose it once more.');
  }
  if (text.trim() === '') return failed('The file is empty. Choose a CSV file with a line of headers and a line for each person.');
  if (text.includes('\0')) return failed('This is not a text file. Save the roster as CSV and choose it once more.');

  const delimiter = firstLine(text).includes(';') ? ';' : ',';
  const parsed = Papa.parse<string[]>(text, { delimiter });
  const quote = parsed.errors.find((error) => error.type === 'Quotes');
  if (quote) {
    const line = text.slice(0, quote.index ?? 0).split('\n').length;
    return failed(`Line ${line} has a quotation mark that is never closed, so the lines after it run together. Mend that line and choose the file again.`);
  }
  const [header = [], ...rows] = parsed.data;
  const columns = Object.fromEntries(
    Object.entries(HEADERS).map(([field, names]) => [field, header.findIndex((cell) => names.includes(cell.trim().toLowerCase()))]),
  ) as Record<keyof typeof HEADERS, number>;
  if (columns.name < 0) {
    return failed(`No column is headed "name". The first line has: ${header.slice(0, 8).join(', ').slice(0, 120)}. Head the column of names "name".`);
  }
  const filled = rows.map((row, i) => ({ row, line: i + 2 })).filter(({ row }) => row.some((cell) => cell.trim() !== ''));
  if (filled.length === 0) return failed('The file has headers but nobody in it. Add a line for each person.');
  if (filled.length > MOST_LINES) {
    return failed(`The file has ${filled.length} lines; a workshop's roster has ${MOST_LINES} at most. Keep the people of this workshop only.`);
  }
  const cell = (row: string[], field: keyof typeof HEADERS): string => (columns[field] < 0 ? '' : (row[columns[field]] ?? '').trim());
  const lines = filled.map(({ row, line }) => {
    const leave = cell(row, 'leave').toLowerCase();
    const read: RosterLine = {
      line, name: cell(row, 'name'), email: cell(row, 'email').toLowerCase(), phone: cell(row, 'phone'), mayContact: YES.has(leave), problems: [],
    };
    if (row.length > header.length) read.problems.push(`has ${row.length} cells, the header ${header.length}; a ${delimiter === ',' ? 'comma' : 'semicolon'} inside a cell needs quotation marks`);
    if (read.name === '') read.problems.push('has no name');
    if (read.name.length > 120) read.problems.push('has a name longer than 120 characters');
    if (/^[=+\-@\t\r]/.test(read.name) || /^[=@\t\r]/.test(read.email)) read.problems.push('starts with a sign that spreadsheets run as a formula; enter the plain text');
    if (/^[=@\-\t\r]/.test(read.phone)) read.problems.push('has a phone number that starts like a formula; enter the plain number');
    if (read.email !== '' && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(read.email)) read.problems.push(`has "${read.email.slice(0, 60)}", which is no e-mail address`);
    if (read.email.length > 254) read.problems.push('has an e-mail address longer than 254 characters');
    if (read.phone.length > 40) read.problems.push('has a phone number longer than 40 characters');
    if (!YES.has(leave) && !NO.has(leave)) read.problems.push(`has "${leave.slice(0, 30)}" for leave to be contacted; enter yes or no`);
    return read;
  });
  return { lines, problem: null };
}

function firstLine(text: string): string {
  return text.slice(0, text.search(/\r|\n|$/));
}
