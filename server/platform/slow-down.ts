import { QueryTypes } from 'sequelize';
import { transact } from '@/db/transact';
import type { Services } from './context';
import { UseCaseError } from './use-case-error';

/** How tries that keep failing are slowed down. */
export interface Pace {
  /** Tries that go through at once. */
  free: number;
  /** Seconds to wait after those; twice as long after each further one. */
  first: number;
  /** Seconds, at most. */
  most: number;
}

/** Failures are forgotten after this long without a try, minutes. */
const MEMORY = 60;

/**
 * Seconds to wait before the next try.
 *
 * @param tries tries so far.
 * @example waitAfter(9, { free: 8, first: 30, most: 900 }) // 60
 */
export function waitAfter(tries: number, { free, first, most }: Pace): number {
  return tries < free ? 0 : Math.min(most, first * 2 ** Math.min(tries - free, 20));
}

/**
 * Counts a try in `bucket`, or refuses it while the wait after the one before is not over. What is
 * refused is not counted, so that nobody is kept out by somebody else's knocking: the wait ends.
 *
 * @throws UseCaseError that says how long to wait.
 */
export async function slowDown({ db, now }: Pick<Services, 'db' | 'now'>, bucket: string, pace: Pace): Promise<void> {
  const name = bucket.slice(0, 300);
  // By itself: a row that is there already is locked for reading by this, and those who wait to write it would deadlock.
  await db.sequelize.query(
    'INSERT IGNORE INTO rate_limits (bucket, window_start, attempts, last_at) VALUES (:name, :now, 0, :now)',
    { replacements: { name, now }, type: QueryTypes.INSERT },
  );
  await transact(db, async (transaction) => {
    // Written below when the try is counted: on a cluster, too, the slower of two tries begins again.
    const [row] = await db.sequelize.query<{ attempts: number; lastAt: Date | null }>(
      'SELECT attempts, last_at AS lastAt FROM rate_limits WHERE bucket = :name FOR UPDATE',
      { replacements: { name }, type: QueryTypes.SELECT, transaction },
    );
    const since = (now.getTime() - (row!.lastAt?.getTime() ?? 0)) / 1000;
    const tries = since > MEMORY * 60 ? 0 : row!.attempts;
    const left = Math.ceil(waitAfter(tries, pace) - since);
    if (left > 0)
      throw new UseCaseError(
        'too-many',
        `Too many tries that did not fit. Wait ${left < 100 ? `${left} seconds` : `${Math.ceil(left / 60)} minutes`} and try again.`,
        { retryAfter: String(left) },
      );
    await db.sequelize.query('UPDATE rate_limits SET attempts = :tries, last_at = :now WHERE bucket = :name', {
      replacements: { name, now, tries: tries + 1 },
      type: QueryTypes.UPDATE,
      transaction,
    });
  });
}
