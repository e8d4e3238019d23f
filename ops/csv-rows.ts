import { readFileSync } from 'node:fs';
import Papa from 'papaparse';

/** A CSV file's columns and rows. */
export interface CsvRows {
  columns: string[];
  rows: Record<string, string>[];
}

/**
 * Reads the CSV file a command was given. What is wrong is said in one line, with status 2.
 *
 * @param name of the command, as npm runs it
 * @param needs columns the file has to have
 * @returns null where it was refused
 */
export function csvRows(name: string, needs: readonly string[]): CsvRows | null {
  const file = process.argv.slice(2).find((word) => !word.startsWith('--'));
  if (!file) return refused(`Usage: npm run -s ${name} -- FILE.csv`);
  let text: string;
  try {
    text = readFileSync(file, 'utf8').replace(/^\uFEFF/, '');
  } catch {
    return refused(`Cannot read ${file}.`);
  }
  const { data, meta } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' });
  const columns = meta.fields ?? [];
  if (needs.some((column) => !columns.includes(column)))
    return refused(`${file} needs the column${needs.length > 1 ? 's' : ''} ${needs.join(' and ')}.`);
  return { columns, rows: data };
}

/** Says in one line why nothing was done. */
export function refused(words: string): null {
  console.error(words);
  process.exitCode = 2;
  return null;
}
