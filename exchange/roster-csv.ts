import type { RosterLine } from '@/core/plan/roster/roster-line';
import { columnsOf, readCsvText } from './csv-text';

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
  const read = readCsvText(bytes, 'the roster', MOST_LINES);
  if ('problem' in read) return failed(read.problem);
  const { header, rows: filled, delimiter } = read;
  const { at: columns } = columnsOf(header, HEADERS);
  if (columns.name < 0) {
    return failed(
      `No column is headed "name". The first line has: ${header.slice(0, 8).join(', ').slice(0, 120)}. Head the column of names "name".`,
    );
  }
  if (filled.length === 0) return failed('The file has headers but nobody in it. Add a line for each person.');
  const cell = (row: string[], field: keyof typeof HEADERS): string =>
    columns[field] < 0 ? '' : (row[columns[field]] ?? '').trim();
  const lines = filled.map(({ cells: row, line }) => {
    const leave = cell(row, 'leave').toLowerCase();
    const seat: RosterLine = {
      line,
      name: cell(row, 'name'),
      email: cell(row, 'email').toLowerCase(),
      phone: cell(row, 'phone'),
      mayContact: YES.has(leave),
      problems: [],
    };
    if (row.length > header.length)
      seat.problems.push(
        `has ${row.length} cells, the header ${header.length}; a ${delimiter === ',' ? 'comma' : 'semicolon'} inside a cell needs quotation marks`,
      );
    if (seat.name === '') seat.problems.push('has no name');
    if (seat.name.length > 120) seat.problems.push('has a name longer than 120 characters');
    if (/^[=+\-@\t\r]/.test(seat.name) || /^[=@\t\r]/.test(seat.email))
      seat.problems.push('starts with a sign that spreadsheets run as a formula; enter the plain text');
    if (/^[=@\-\t\r]/.test(seat.phone))
      seat.problems.push('has a phone number that starts like a formula; enter the plain number');
    if (seat.email !== '' && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(seat.email))
      seat.problems.push(`has "${seat.email.slice(0, 60)}", which is no e-mail address`);
    if (seat.email.length > 254) seat.problems.push('has an e-mail address longer than 254 characters');
    if (seat.phone.length > 40) seat.problems.push('has a phone number longer than 40 characters');
    if (!YES.has(leave) && !NO.has(leave))
      seat.problems.push(`has "${leave.slice(0, 30)}" for leave to be contacted; enter yes or no`);
    return seat;
  });
  return { lines, problem: null };
}
