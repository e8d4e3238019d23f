import { parseDecimal } from '@/core/units/decimal';
import { MM_PER_INCH } from '@/core/units/length';
import { columnsOf, readCsvText } from './csv-text';

const HEADERS = {
  number: ['number', 'no', 'nr', 'id'],
  mm: ['caliper_mm', 'diameter_mm', 'mm', 'caliper', 'diameter'],
  inch: ['caliper_in', 'diameter_in', 'in', 'inch'],
  buds: ['usable_buds', 'buds'],
} as const;

export interface CaliperLine {
  /** Null: takes the next free number. */
  number: number | null;
  /** mm. */
  caliper: number;
  buds: number | null;
}

/** Sticks and stocks read at once. */
const MOST_LINES = 1000;

/** Thinner or thicker than this, mm, is no stick and no stock. */
export const CALIPER_RANGE = { from: 1.5, to: 150 };

/** Measured sticks or stocks from CSV: a line each. A file that has a line wrong is not read in part. */
export function readCalipers(bytes: Uint8Array): { lines: CaliperLine[]; notes: string[] } | { problem: string } {
  const read = readCsvText(bytes, 'the calipers', MOST_LINES);
  if ('problem' in read) return read;
  const { at, unknown } = columnsOf(read.header, HEADERS);
  const column = at.mm >= 0 ? at.mm : at.inch;
  if (column < 0)
    return {
      problem: `A column "caliper_mm" or "caliper_in" is needed. The first line has: ${read.header.slice(0, 8).join(', ').slice(0, 120)}.`,
    };
  const lines: CaliperLine[] = [];
  const numbers = new Set<number>();
  for (const { cells, line } of read.rows) {
    const typed = parseDecimal(cells[column] ?? '');
    if (typed === null)
      return { problem: `Line ${line} has "${(cells[column] ?? '').slice(0, 30)}" for the caliper. Enter a figure.` };
    const caliper = Math.round((column === at.mm ? typed : typed * MM_PER_INCH) * 100) / 100;
    if (caliper < CALIPER_RANGE.from || caliper > CALIPER_RANGE.to)
      return {
        problem: `Line ${line}: a caliper of ${caliper} mm cannot be right. Check it, and whether the column is in mm or inches.`,
      };
    const whole = (cell: number, what: string): number | null | { problem: string } => {
      const text = cell < 0 ? '' : (cells[cell] ?? '').trim();
      if (text === '') return null;
      return /^\d{1,4}$/.test(text) && Number(text) > 0
        ? Number(text)
        : {
            problem: `Line ${line} has "${text.slice(0, 20)}" for the ${what}. Enter a whole number, or leave it empty.`,
          };
    };
    const [number, buds] = [whole(at.number, 'number'), whole(at.buds, 'buds')];
    if (number !== null && typeof number === 'object') return number;
    if (buds !== null && typeof buds === 'object') return buds;
    if (number !== null && numbers.has(number))
      return { problem: `Number ${number} is there twice, the second time on line ${line}. Give each its own.` };
    if (number !== null) numbers.add(number);
    lines.push({ number, caliper, buds });
  }
  if (lines.length === 0) return { problem: 'The file has headers but no caliper in it.' };
  return {
    lines,
    notes: unknown.length > 0 ? [`Columns not known and left out: ${unknown.slice(0, 6).join(', ')}.`] : [],
  };
}
