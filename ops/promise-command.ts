import Papa from 'papaparse';
import { howMany } from '@/core/plan/quantities/how-many';
import { newWorkshopTake, takeQuantile, type WorkshopTake } from '@/core/plan/quantities/new-workshop-take';
import { csvRows, refused } from './csv-rows';

/*
 * npm run -s promise -- FILE.csv
 * Reads history ("26/30 21/28": alive of known, a workshop each), people, promised (living grafts a person), chance (0.9 or
 * 90) and for (each or all), and prints the rows with make_each ("cannot" where 60 a person would not do), belief_low and
 * belief_high: 5 and 95 % of the take that is believed of a new workshop.
 */
const table = csvRows('promise', ['history', 'people', 'promised', 'chance', 'for']);
if (table) answer(table.rows);

function answer(rows: readonly Record<string, string>[]): void {
  if (rows.length === 0) return void refused('The file has no rows.');
  try {
    const lines = rows.map((row, at) => {
      const take = newWorkshopTake(historyIn(row, at));
      const people = wholeIn(row, 'people', at, 1);
      const keepers = wholeIn(row, 'promised', at, 0);
      const whom = (row.for ?? '').trim();
      if (whom !== 'each' && whom !== 'all') throw new RangeError(`Row ${at + 1}: for is each or all, not "${whom}".`);
      const made = howMany({ keepers, people, confidence: chanceIn(row, at) }, take);
      return {
        ...row,
        make_each: (whom === 'each' ? made.each : made.everybody) ?? 'cannot',
        belief_low: takeQuantile(take, 0.05).toFixed(4),
        belief_high: takeQuantile(take, 0.95).toFixed(4),
      };
    });
    process.stdout.write(`${Papa.unparse(lines, { newline: '\n' })}\n`);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    refused(error.message);
  }
}

function historyIn(row: Record<string, string>, at: number): WorkshopTake[] {
  return (row.history ?? '')
    .trim()
    .split(/[\s;,]+/)
    .filter(Boolean)
    .map((word) => {
      const [, alive, known] = /^(\d+)\/(\d+)$/.exec(word) ?? [];
      if (alive === undefined || known === undefined || Number(alive) > Number(known))
        throw new RangeError(`Row ${at + 1}: history is "26/30 21/28", alive of known a workshop, not "${word}".`);
      return { alive: Number(alive), known: Number(known) };
    });
}

function wholeIn(row: Record<string, string>, column: string, at: number, least: number): number {
  const text = (row[column] ?? '').trim();
  const value = Number(text);
  if (text === '' || !Number.isInteger(value) || value < least)
    throw new RangeError(`Row ${at + 1}: ${column} is a whole number from ${least} on, not "${text}".`);
  return value;
}

function chanceIn(row: Record<string, string>, at: number): number {
  const text = (row.chance ?? '').trim().replace(/\s*%$/, '');
  const value = Number(text);
  const chance = value > 1 ? value / 100 : value;
  if (text === '' || !(chance > 0 && chance < 1))
    throw new RangeError(`Row ${at + 1}: chance lies between 0 and 1, both left out, not "${text}".`);
  return chance;
}
