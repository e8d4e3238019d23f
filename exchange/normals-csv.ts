import { isMonthDay } from '@/core/units/month-day';
import { type Climate, MONTH_NAMES, problemOfNormals } from '@/core/plan/climate/normals';
import { parseDecimal } from '@/core/units/decimal';
import { columnsOf, readCsvText } from './csv-text';
import { writeCsv } from './csv-table';

const HEADERS = {
  month: ['month'],
  low: ['lowest_c', 'low_c', 'lowest', 'low', 'min_c', 'tmin'],
  high: ['highest_c', 'high_c', 'highest', 'high', 'max_c', 'tmax'],
  lowF: ['lowest_f', 'low_f', 'min_f'],
  highF: ['highest_f', 'high_f', 'max_f'],
  last: ['last_frost'],
  first: ['first_frost'],
  margin: ['frost_margin_days'],
} as const;

/** A site's year from CSV, with what was left out said in `notes`. */
export function readNormals(bytes: Uint8Array): { climate: Climate; notes: string[] } | { problem: string } {
  const read = readCsvText(bytes, 'the normals', 100);
  if ('problem' in read) return read;
  const { at, unknown } = columnsOf(read.header, HEADERS);
  const fahrenheit = at.low < 0 && at.lowF >= 0;
  const [low, high] = fahrenheit ? [at.lowF, at.highF] : [at.low, at.high];
  if (at.month < 0 || low < 0 || high < 0) {
    return {
      problem: `The columns month, lowest_c and highest_c are needed (or lowest_f and highest_f). The first line has: ${read.header.slice(0, 8).join(', ').slice(0, 120)}.`,
    };
  }
  const climate: Climate = { normals: { low: [], high: [] }, lastFrost: null, firstFrost: null, frostMargin: 12 };
  for (const { cells, line } of read.rows) {
    const month = monthOf(cells[at.month] ?? '');
    if (month === null)
      return {
        problem: `Line ${line} has "${(cells[at.month] ?? '').slice(0, 30)}" for the month. Enter 1 to 12 or its English name.`,
      };
    const [lowest, highest] = [low, high].map((column) => parseDecimal(cells[column] ?? ''));
    if (lowest === null || highest === null)
      return { problem: `Line ${line}: the temperatures of ${MONTH_NAMES[month]} have to be figures.` };
    if (climate.normals.low[month] !== undefined)
      return { problem: `${MONTH_NAMES[month]} is there twice, the second time on line ${line}. Keep one of the two.` };
    const celsius = (value: number): number => (fahrenheit ? Math.round(((value - 32) / 1.8) * 10) / 10 : value);
    climate.normals.low[month] = celsius(lowest!);
    climate.normals.high[month] = celsius(highest!);
    for (const [field, column] of [
      ['lastFrost', at.last],
      ['firstFrost', at.first],
    ] as const) {
      const cell = column < 0 ? '' : (cells[column] ?? '').trim();
      if (cell === '') continue;
      if (!isMonthDay(cell))
        return { problem: `Line ${line} has "${cell.slice(0, 30)}" for a frost date. Enter month and day as 04-24.` };
      climate[field] = cell;
    }
    const margin = at.margin < 0 ? null : parseDecimal(cells[at.margin] ?? '');
    if (margin !== null && margin >= 0 && margin <= 60) climate.frostMargin = Math.round(margin);
  }
  const wanted = Array.from({ length: 12 }, (_, i) => i).filter((i) => climate.normals.low[i] === undefined);
  if (wanted.length > 0)
    return {
      problem: `${wanted.map((i) => MONTH_NAMES[i]).join(', ')} ${wanted.length === 1 ? 'is' : 'are'} missing. Twelve months are needed.`,
    };
  const problem = problemOfNormals(climate.normals);
  if (problem) return { problem };
  if ((climate.lastFrost === null) !== (climate.firstFrost === null))
    return {
      problem: 'One frost date is there and the other is not. Give both, or none for a place that never freezes.',
    };
  return {
    climate,
    notes: [
      ...(fahrenheit ? ['Read as °F and kept as °C.'] : []),
      ...(unknown.length > 0 ? [`Columns not known and left out: ${unknown.slice(0, 6).join(', ')}.`] : []),
    ],
  };
}

export function writeNormals({ normals, lastFrost, firstFrost, frostMargin }: Climate): string {
  return writeCsv(
    ['month', 'lowest_c', 'highest_c', 'last_frost', 'first_frost', 'frost_margin_days'],
    MONTH_NAMES.map((_, i) => ({
      month: i + 1,
      lowest_c: normals.low[i]!,
      highest_c: normals.high[i]!,
      last_frost: i === 0 ? lastFrost : null,
      first_frost: i === 0 ? firstFrost : null,
      frost_margin_days: i === 0 ? frostMargin : null,
    })),
  );
}

function monthOf(cell: string): number | null {
  const text = cell.trim().toLowerCase();
  if (/^\d{1,2}$/.test(text)) return Number(text) >= 1 && Number(text) <= 12 ? Number(text) - 1 : null;
  const i = text.length < 3 ? -1 : MONTH_NAMES.findIndex((name) => name.toLowerCase().startsWith(text));
  return i < 0 ? null : i;
}
