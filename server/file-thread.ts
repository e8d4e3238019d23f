import { parentPort } from 'node:worker_threads';
import { gzipSync } from 'node:zlib';
import { drawnReadings, summariseRun } from '@/core/wood/logger-run';
import { STORE } from '@/core/wood/store';
import { readCalipers } from '@/exchange/calipers-csv';
import { readLogger } from '@/exchange/logger-csv';
import { readNormals } from '@/exchange/normals-csv';
import { readRoster } from '@/exchange/roster-csv';

/*
 * What runs in the thread that reads files, so that a long one keeps nobody waiting: see read-file.ts.
 */

/** Readings of a run that are drawn. */
const DRAWN = 5000;

function readRun(bytes: Uint8Array, zone: string, unit: 'C' | 'F' | null) {
  const read = readLogger(bytes, zone, unit);
  if ('problem' in read) return read;
  const { readings, notes } = read;
  const series = gzipSync(readings.map(({ at, value }) => `${at},${value}\n`).join(''));
  return { summary: summariseRun(readings, STORE), drawn: drawnReadings(readings, DRAWN), series: new Uint8Array(series), notes };
}

export const READERS = { run: readRun, roster: readRoster, normals: readNormals, calipers: readCalipers };

interface Job { id: number; kind: keyof typeof READERS; args: unknown[] }

parentPort?.on('message', ({ id, kind, args }: Job) => {
  try {
    parentPort!.postMessage({ id, result: (READERS[kind] as (...given: unknown[]) => unknown)(...args) });
  } catch (error) {
    parentPort!.postMessage({ id, fault: (error as Error).stack ?? String(error) });
  }
});
