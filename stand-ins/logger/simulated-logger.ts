import { writeCsv } from '@/exchange/csv-table';

export interface LoggerOrder {
  /** First reading, ISO instant. */
  from: string;
  days: number;
  everyMinutes: number;
  /** degC a store is set to. */
  target: number;
  unit: 'C' | 'F';
  /** What goes wrong, as it does with real ones. */
  faults: ('warm-days' | 'gap' | 'repeats' | 'disorder')[];
  /** What the logger calls itself, if it does. */
  name?: string | undefined;
}

/** A temperature log as a logger in a cold store would write it; made up, and headed so. */
export function simulatedLog({ from, days, everyMinutes, target, unit, faults, name }: LoggerOrder): string {
  const steps = Math.floor((days * 1440) / everyMinutes);
  let rows = Array.from({ length: steps }, (_, i) => {
    const day = (i * everyMinutes) / 1440;
    const warm = faults.includes('warm-days') && day > days * 0.55 && day < days * 0.55 + 2.5 ? 5.5 : 0;
    // A compressor's saw tooth, the day's breath, and a wobble that repeats.
    const value = target + 0.6 * Math.sin(i * 1.9) + 0.5 * Math.sin(2 * Math.PI * day) + warm;
    return {
      at: Date.parse(from) + i * everyMinutes * 60_000,
      value: Math.round((unit === 'C' ? value : value * 1.8 + 32) * 100) / 100,
    };
  });
  if (faults.includes('gap')) rows = rows.filter((_, i) => i < steps * 0.3 || i > steps * 0.3 + 1440 / everyMinutes);
  if (faults.includes('repeats')) rows = rows.flatMap((row, i) => (i % 50 === 7 ? [row, row] : [row]));
  if (faults.includes('disorder') && rows.length > 20)
    rows = [...rows.slice(10, 20), ...rows.slice(0, 10), ...rows.slice(20)];
  const column = unit === 'C' ? 'temperature_c' : 'temperature_f';
  return writeCsv(
    ['time', column, 'simulated', ...(name === undefined ? [] : ['logger'])],
    rows.map(({ at, value }) => ({
      time: new Date(at).toISOString(),
      [column]: value,
      simulated: 'yes',
      ...(name === undefined ? {} : { logger: name }),
    })),
  );
}
