import type { Services } from './context';
import { oneAtATime } from './one-at-a-time';
import { clearAttempts } from './rate-limit';
import { passwordFits } from './secrets';
import { slowDown } from './slow-down';

/** Guesses at one account, from wherever. */
export const PER_ACCOUNT = { free: 8, first: 30, most: 900 };

/**
 * Whether a password fits, at the pace of somebody who may be guessing. Tries in one bucket are made one
 * after the other, so that right ones that arrive together are not taken for guesses.
 *
 * @throws UseCaseError that says how long to wait.
 */
export function fitsAtPace(
  services: Pick<Services, 'db' | 'now'>,
  bucket: string,
  passwordHash: string | null,
  password: string,
): Promise<boolean> {
  return oneAtATime(bucket, async () => {
    await slowDown(services, bucket, PER_ACCOUNT);
    const fits = await passwordFits(passwordHash, password);
    if (fits) await clearAttempts(services, bucket);
    return fits;
  });
}
