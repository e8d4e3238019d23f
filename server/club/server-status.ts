import { readFile, statfs } from 'node:fs/promises';
import { freemem, totalmem } from 'node:os';
import { dirname, join } from 'node:path';
import { allow, type Context } from '@/server/platform/context';
import type { LastDrill, ServerStatus } from '@/core/club/server-status';
import { serverRecord } from '@/server/platform/server-record';
import { lastGoodBackup } from './backup-state';

/** Name of the file that says when a backup was last played back for practice. */
export const LAST_DRILL = 'last-drill.json';

/** Days after which the next practice of a restore is asked for. */
const DRILL_EVERY = 365;
/** Least room on the disk before the page asks to look after it, bytes. */
const LEAST_DISK = 1_000_000_000;

/**
 * How the server runs, for the lead.
 *
 * @param backups folder in which backups lie
 */
export async function serverStatus(context: Context, backups: string): Promise<ServerStatus> {
  allow(context, 'lead');
  const { db, mail, now, actor } = context;
  const { clubId } = actor;
  const [lastRead, lastWritten, waiting, unread, nobodys, backup, drill, room] = await Promise.all([
    db.mailReplies.max('arrivedAt', { where: { clubId } }) as Promise<Date | null>,
    db.messages.max('createdAt', { where: { clubId, state: 'delivered' } }) as Promise<Date | null>,
    db.messages.count({ where: { clubId, state: 'queued' } }),
    db.mailReplies.count({ where: { clubId, outcome: 'unread', settledAt: null as never } }),
    mail.countAside('no-club'),
    lastGoodBackup(context, backups),
    lastDrill(backups),
    roomOnDisk(backups),
  ]);
  const { startedAt, longestPause, faults, done } = serverRecord();
  return {
    now,
    startedAt,
    mail: { lastRead, lastWritten, waiting, unread, nobodys, lastAsked: done.get('ask') ?? null },
    backup,
    drill,
    drillDue: drill === null || now.getTime() - Date.parse(drill.at) > DRILL_EVERY * 86_400_000,
    longestPause,
    faults: [...faults.values()].sort((a, b) => b.last.getTime() - a.last.getTime()),
    disk: { ...room, short: room.free < LEAST_DISK },
    memory: { used: process.memoryUsage.rss(), free: freemem(), all: totalmem() },
  };
}

async function lastDrill(backups: string): Promise<LastDrill | null> {
  try {
    return JSON.parse(await readFile(join(/* turbopackIgnore: true */ backups, LAST_DRILL), 'utf8')) as LastDrill;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT' || error instanceof SyntaxError) return null;
    throw error;
  }
}

/** Room on the disk that holds the backups; the folder itself is made with the first of them, and so may be those above. */
async function roomOnDisk(backups: string): Promise<{ free: number; all: number }> {
  const above = dirname(backups);
  const found = await statfs(backups).catch(() => (above === backups ? Promise.reject(new Error('no disk')) : null));
  if (!found) return roomOnDisk(above);
  return { free: found.bavail * found.bsize, all: found.blocks * found.bsize };
}
