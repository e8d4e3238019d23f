import { gzipSync } from 'node:zlib';
import { plottedReadings, type LoggerRun, summariseRun } from '@/core/plan/wood/logger-run';
import { STORE } from '@/core/plan/wood/store';
import { readCalipers } from '@/exchange/calipers-csv';
import { readLogger } from '@/exchange/logger-csv';
import { readNormals } from '@/exchange/normals-csv';
import { readAnswers } from '@/exchange/answers-csv';
import { readWeather } from '@/exchange/weather-csv';
import { readRoster } from '@/exchange/roster-csv';

/** Readings of a run that are drawn. */
const DRAWN = 5000;

function readRun(bytes: Uint8Array, zone: string, unit: 'C' | 'F' | null) {
  const read = readLogger(bytes, zone, unit);
  if ('problem' in read) return read;
  const { run, notes } = read;
  return { summary: summariseRun(run, STORE), plotted: plottedReadings(run, DRAWN), series: packed(run), notes };
}

/** The whole series: pairs of ms since 1970 and degC as 64-bit floats, packed a little and at once. */
function packed({ instants, values }: LoggerRun): Uint8Array {
  const pairs = new Float64Array(2 * instants.length);
  for (let i = 0; i < instants.length; i++) {
    pairs[2 * i] = instants[i]!;
    pairs[2 * i + 1] = values[i]!;
  }
  return new Uint8Array(gzipSync(new Uint8Array(pairs.buffer), { level: 1 }));
}

/** Readers of files that people send up, by what they read. */
export const READERS = {
  run: readRun,
  readings: readLogger,
  roster: readRoster,
  normals: readNormals,
  weather: readWeather,
  answers: readAnswers,
  calipers: readCalipers,
};
