import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { allow, type Context } from '@/server/platform/context';

/** Name of the file that says which backup was the last good one. */
export const LAST_GOOD = 'last-good.json';

/** The last backup that was made, played back for a trial and found whole. */
export interface LastGood {
  file: string;
  at: string;
  /** Only the lead's key opens it. Earlier versions did not say. */
  encrypted?: boolean;
  bytes: number;
  rows: number;
  letters: number;
}

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
