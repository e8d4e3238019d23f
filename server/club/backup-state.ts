import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { LastGood } from '@/core/club/server-status';
import { allow, type Context } from '@/server/platform/context';

/** Name of the file that says which backup was the last good one. */
export const LAST_GOOD = 'last-good.json';

/**
 * When the last good backup was, for whoever answers for the club; null when there was none.
 *
 * @param folder where backups lie.
 */
export async function lastGoodBackup(context: Context, folder: string): Promise<LastGood | null> {
  allow(context, 'lead');
  try {
    return JSON.parse(await readFile(join(/* turbopackIgnore: true */ folder, LAST_GOOD), 'utf8')) as LastGood;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
}
