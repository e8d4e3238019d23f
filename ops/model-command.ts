import { InputError } from '@/core/contact/input-error';
import { type CsvRows, csvRows, refused } from './csv-rows';

interface ModelCommand {
  /** As npm runs it. */
  name: string;
  needs: readonly string[];
  /** What is printed as JSON; refusals are RangeError or InputError, in one sentence. */
  answer: (table: CsvRows) => unknown;
}

/** A command that reads a CSV file and prints what one model says of it as JSON, or in one line what is wrong with it. */
export function modelCommand({ name, needs, answer }: ModelCommand): void {
  const table = csvRows(name, needs);
  if (!table) return;
  if (table.rows.length === 0) return void refused('The file has no rows.');
  try {
    process.stdout.write(`${JSON.stringify(answer(table), null, 2)}\n`);
  } catch (error) {
    if (!(error instanceof RangeError || error instanceof InputError)) throw error;
    refused(error.message);
  }
}

/**
 * A number in a row's column.
 *
 * @param row from 0
 * @throws RangeError when the cell holds none
 */
export function numberIn(row: Record<string, string>, column: string, at: number): number {
  const text = (row[column] ?? '').trim();
  const value = Number(text);
  if (text === '' || !Number.isFinite(value))
    throw new RangeError(`Row ${at + 1}: ${column} is a number, not "${text}".`);
  return value;
}

/** Whether a union lived: 1 or 0 in the column alive. */
export function aliveIn(row: Record<string, string>, at: number): boolean {
  const text = (row.alive ?? '').trim();
  if (text !== '0' && text !== '1') throw new RangeError(`Row ${at + 1}: alive is 1 or 0, not "${text}".`);
  return text === '1';
}
