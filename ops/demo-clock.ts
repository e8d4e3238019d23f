import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/*
 * The clock of a demo that is shown as of another day: by how much it is moved is kept in the data folder, so that the
 * demo runs on from there at the next start too.
 */

const file = (data: string): string => join(data, 'demo-clock');
const dayOf = (at: Date): string => at.toISOString().slice(0, 10);

/**
 * By how much the clock is moved, ms: to the day asked for, else as it was at the last start.
 *
 * @param today ISO date
 */
export function clockMove(data: string, today: string | undefined, now: Date): number {
  if (today !== undefined) return Date.parse(today) - Date.parse(dayOf(now));
  return existsSync(file(data)) ? Number(readFileSync(file(data), 'utf8')) : 0;
}

/** Keeps it for the next start; the real time needs no file. */
export function keepClockMove(data: string, move: number): void {
  if (move === 0) rmSync(file(data), { force: true });
  else writeFileSync(file(data), String(move));
}
