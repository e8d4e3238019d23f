import Papa from 'papaparse';
import { InputError } from '@/core/contact/input-error';
import { csvRows } from './csv-rows';

interface CsvCommand<Added extends string> {
  /** As npm runs it. */
  name: string;
  /** Columns each file has to have. */
  needs: readonly string[];
  /** The column that holds JSON. */
  json: string;
  /** Columns that are added, in this order, and `problem` last. */
  added: readonly Added[];
  /** What is added to a row, by its text and what its JSON holds; refusals are InputError or RangeError. */
  computed: (row: Record<string, string>, inputs: unknown) => Record<Added, string>;
}

/**
 * A command that reads a CSV file of cases and writes it to standard output in the same order, with what was computed
 * and, where a row is wrong, what is wrong with it. Ends with status 2 when the file cannot be read.
 */
export function csvCommand<Added extends string>({ name, needs, json, added, computed }: CsvCommand<Added>): void {
  const read = csvRows(name, needs);
  if (!read) return;
  const { columns, rows } = read;
  const empty = Object.fromEntries(added.map((column) => [column, '']));
  const answered = rows.map((row) => {
    try {
      return { ...row, ...computed(row, JSON.parse(row[json] ?? '')), problem: '' };
    } catch (error) {
      if (error instanceof InputError || error instanceof RangeError)
        return { ...row, ...empty, problem: error.message };
      if (error instanceof SyntaxError) return { ...row, ...empty, problem: `The column ${json} is not valid JSON.` };
      throw error;
    }
  });
  const fields = [...columns, ...added, 'problem'];
  process.stdout.write(`${Papa.unparse(answered, { columns: fields, newline: '\n' })}\n`);
}

/**
 * A cell that holds named values.
 *
 * @throws InputError when it is anything else
 */
export function namedValues(column: string, cell: unknown): Record<string, unknown> {
  if (typeof cell !== 'object' || cell === null || Array.isArray(cell))
    throw new InputError(column, `The column ${column} is not a JSON object.`);
  return cell as Record<string, unknown>;
}
