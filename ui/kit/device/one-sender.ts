const LOCK = 'pear-bench-sending';

/**
 * Runs `work` if no other window of this browser is at it, else answers `busy` at once. The browser
 * frees the lock of a window that closes or dies. Where it knows no locks (plain HTTP) two windows
 * may send the same thing, which the server takes once all the same.
 */
export async function oneSender<T>(
  work: () => Promise<T>,
  busy: T,
  locks: LockManager | undefined = globalThis.navigator?.locks,
): Promise<T> {
  if (!locks) return work();
  return locks.request(LOCK, { ifAvailable: true }, async (lock) => (lock ? work() : busy)) as Promise<T>;
}
