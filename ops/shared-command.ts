import Papa from 'papaparse';
import { type Stratum, stratifiedExcess } from '@/core/statistics/stratified-excess';
import { csvRows, refused } from './csv-rows';

/*
 * npm run -s shared -- FILE.csv
 * Reads level, stratum, dead_inside, alive_inside, dead_beside and alive_beside, and prints as CSV of each level how many
 * strata speak, how many would have died inside by what lies beside it, the chance of so many, and the factor.
 */
const COUNTS = ['dead_inside', 'alive_inside', 'dead_beside', 'alive_beside'] as const;
const table = csvRows('shared', ['level', 'stratum', ...COUNTS]);
if (table) answer(table.rows);

function answer(rows: readonly Record<string, string>[]): void {
  try {
    const strata = new Map<string, Stratum[]>();
    rows.forEach((row, at) => {
      const [deadInside, aliveInside, deadBeside, aliveBeside] = COUNTS.map((column) => countIn(row, column, at));
      const level = (row.level ?? '').trim();
      if (level === '') throw new RangeError(`Row ${at + 1}: the level is empty.`);
      const own = strata.get(level) ?? [];
      own.push({ deadInside, aliveInside, deadBeside, aliveBeside } as Stratum);
      strata.set(level, own);
    });
    if (strata.size === 0) return void refused('The file has no rows.');
    const lines = [...strata].map(([level, own]) => {
      const { speaking, expectedDead, p, factor } = stratifiedExcess(own);
      return { level, strata_that_speak: speaking, expected_dead: expectedDead, p, factor };
    });
    process.stdout.write(`${Papa.unparse(lines, { newline: '\n' })}\n`);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    refused(error.message);
  }
}

function countIn(row: Record<string, string>, column: string, at: number): number {
  const text = (row[column] ?? '').trim();
  const value = Number(text);
  if (text === '' || !Number.isInteger(value) || value < 0)
    throw new RangeError(`Row ${at + 1}: ${column} is a whole number from 0 on, not "${text}".`);
  return value;
}
