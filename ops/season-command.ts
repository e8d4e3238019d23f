import Papa from 'papaparse';
import { InputError } from '@/core/contact/input-error';
import { METHODS } from '@/core/methods/registry';
import { SEASON_COLUMNS, seasonCase } from '@/core/plan/dates/season-case';
import { written } from '@/core/units/prose';
import { csvRows } from './csv-rows';

/*
 * npm run -s season -- FILE.csv
 * Reads days of the form of core/plan/reference/season-days.csv and writes them to standard output in the same order, with
 * `computed_chance` (open, edge or shut), `why` and `problem` added.
 */
const read = csvRows('season', SEASON_COLUMNS);
if (read) {
  const rows = read.rows.map((row) => {
    try {
      const { chance, why } = seasonCase(row, METHODS);
      return { ...row, computed_chance: chance, why: written(why, 'mm', 'C'), problem: '' };
    } catch (error) {
      if (error instanceof InputError) return { ...row, computed_chance: '', why: '', problem: error.message };
      throw error;
    }
  });
  const columns = [...read.columns, 'computed_chance', 'why', 'problem'];
  process.stdout.write(`${Papa.unparse(rows, { columns, newline: '\n' })}\n`);
}
