import { QueryTypes } from 'sequelize';
import type { Services } from './context';
import { UseCaseError } from './use-case-error';

/**
 * Counts an attempt in `bucket` and refuses from the one after `most` within `minutes` on. One
 * statement counts, so that several servers and many requests at once cannot slip through.
 */
export async function limitAttempts(
  { db, now }: Pick<Services, 'db' | 'now'>,
  bucket: string,
  most: number,
  minutes: number,
): Promise<void> {
  const cutoff = new Date(now.getTime() - minutes * 60_000);
  await db.sequelize.query(
    `INSERT INTO rate_limits (bucket, window_start, attempts) VALUES (:bucket, :now, 1)
     ON DUPLICATE KEY UPDATE attempts = IF(window_start < :cutoff, 1, attempts + 1), window_start = IF(window_start < :cutoff, :now, window_start)`,
    { replacements: { bucket: bucket.slice(0, 300), now, cutoff }, type: QueryTypes.INSERT },
  );
  const [row] = await db.sequelize.query<{ attempts: number }>(
    'SELECT attempts FROM rate_limits WHERE bucket = :bucket',
    {
      replacements: { bucket: bucket.slice(0, 300) },
      type: QueryTypes.SELECT,
    },
  );
  if ((row?.attempts ?? 0) > most) {
    throw new UseCaseError('too-many', `Too many attempts. Wait ${minutes} minutes and try again.`);
  }
}

/** Takes one attempt off again, when it turned out to be none to limit. */
export async function giveBackAttempt({ db }: Pick<Services, 'db'>, bucket: string): Promise<void> {
  await db.sequelize.query('UPDATE rate_limits SET attempts = GREATEST(0, attempts - 1) WHERE bucket = :bucket', {
    replacements: { bucket: bucket.slice(0, 300) },
    type: QueryTypes.UPDATE,
  });
}

/** Forgets the attempts of a bucket, after one that succeeded. */
export async function clearAttempts({ db }: Pick<Services, 'db'>, bucket: string): Promise<void> {
  await db.sequelize.query('DELETE FROM rate_limits WHERE bucket = :bucket', {
    replacements: { bucket: bucket.slice(0, 300) },
    type: QueryTypes.DELETE,
  });
}
