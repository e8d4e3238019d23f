import { monitorEventLoopDelay } from 'node:perf_hooks';
import type { Fault } from '@/core/club/server-status';
import { processWide } from '@/db/process-wide';

/** What this server process knows of its own running. Times are those of the machine; nothing of it is kept over a restart. */
interface ServerRecord {
  startedAt: Date;
  day: string;
  faults: Map<string, Fault>;
  /** When each background task last succeeded, by its name. */
  done: Map<string, Date>;
  /** Longest time today that the main thread could answer nothing, ms; null until it is being measured. */
  longestPause: number | null;
}

/** Different faults kept a day: a server that fails everywhere does not fill its memory with it. */
const MOST_FAULTS = 100;
/** How often the delay of a timer is sampled, ms. */
const RESOLUTION = 10;

function record(): ServerRecord {
  const kept = processWide<ServerRecord>('server record', () => ({
    startedAt: new Date(Date.now() - process.uptime() * 1000),
    day: '',
    faults: new Map(),
    done: new Map(),
    longestPause: null,
  }));
  const day = new Date().toISOString().slice(0, 10);
  if (kept.day !== day) {
    kept.day = day;
    kept.faults.clear();
    if (kept.longestPause !== null) kept.longestPause = 0;
  }
  return kept;
}

/** Notes that something went wrong, in words for the lead of a club: without names, ids or private links. */
export function noteFault(what: string): void {
  const { faults } = record();
  const known = faults.get(what);
  if (!known && faults.size >= MOST_FAULTS) return;
  faults.set(what, { what, times: (known?.times ?? 0) + 1, last: new Date() });
}

/** Notes that a background task was done. */
export function noteDone(task: string): void {
  record().done.set(task, new Date());
}

/**
 * An address as the record may hold it: without ids, and without the token of a private link.
 *
 * @example addressWithoutIds('/workshops/0190a9c2-7a61-7b32-9df6-111111111111/score') // '/workshops/…/score'
 */
export function addressWithoutIds(path: string): string {
  return path
    .split('?')[0]!
    .replace(/^(\/api)?\/(r|c|u|password|cards)\/.*$/, '$1/$2/…')
    .replace(/[0-9a-f]{8}-[0-9a-f-]{27}/gi, '…');
}

/** Measures from now on how long the main thread answers nothing. */
export function watchPauses(): void {
  const kept = record();
  if (kept.longestPause !== null) return;
  kept.longestPause = 0;
  const delay = monitorEventLoopDelay({ resolution: RESOLUTION });
  delay.enable();
  setInterval(() => {
    const now = record();
    // A timer that is on time counts with its own interval.
    now.longestPause = Math.max(now.longestPause ?? 0, delay.max / 1e6 - RESOLUTION);
    delay.reset();
  }, 5000).unref();
}

/** What is known of this process now. */
export function serverRecord(): Readonly<ServerRecord> {
  return record();
}
