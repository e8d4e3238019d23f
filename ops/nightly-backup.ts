import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { LastGood } from '@/core/club/server-status';
import { LAST_GOOD } from '@/server/club/backup-state';
import { clockNow } from '@/server/platform/clock';
import { noteFault } from '@/server/platform/server-record';
import { runProgram } from './program';

/** True where the programs that a backup needs are installed: beside an outside server they may not be. */
export function canBackUp(): boolean {
  return ['mariadbd', 'mariadb-dump', 'mariadb', 'mariadb-install-db', 'tar', 'gzip'].every((program) =>
    (process.env.PATH ?? '').split(':').some((folder) => folder !== '' && existsSync(join(folder, program))),
  );
}

const HOUR = 3_600_000;
/** Hour of the night, by the machine's clock, from which on the day's backup is made. */
const NIGHT = 3;

/** Makes a backup each night, in a process of its own, or as soon as it can once a night was missed. Returns what stops it. */
export function backUpNightly(place: { data: string }, say: (text: string) => void): () => void {
  let busy = false;
  const check = async (): Promise<void> => {
    const now = clockNow();
    const file = join(place.data, 'backups', LAST_GOOD);
    const last = existsSync(file) ? new Date((JSON.parse(readFileSync(file, 'utf8')) as LastGood).at) : null;
    const today = last !== null && last.toDateString() === now.toDateString();
    // A night that was missed is made up for at any hour; a first one can wait until the start is an hour old.
    const missed = last !== null ? now.getTime() - last.getTime() > 36 * HOUR : process.uptime() * 1000 > HOUR;
    if (busy || today || (now.getHours() < NIGHT && !missed) || (last === null && !missed && now.getHours() !== NIGHT))
      return;
    busy = true;
    try {
      say(`Backup made: ${await runProgram<string>('backup-now')}.`);
    } catch (error) {
      noteFault('The nightly backup failed; what to do stands in the log of the server');
      say(
        `The backup failed: ${(error as Error).message} The last good one is ${last ? `of ${last.toISOString()}` : 'none'}.`,
      );
    } finally {
      busy = false;
    }
  };
  const timer = setInterval(() => void check(), HOUR / 6);
  timer.unref();
  return () => clearInterval(timer);
}
