/** The last job of every name that is under way in this process. */
const last = new Map<string, Promise<unknown>>();

/**
 * Runs a job after all earlier ones of the same name are over, however they ended. Other names do not wait.
 *
 * @example await oneAtATime(`sign-in as ${address}`, () => check(password))
 */
export async function oneAtATime<T>(name: string, job: () => Promise<T>): Promise<T> {
  const before = last.get(name);
  const mine = (async () => {
    await before?.catch(() => undefined);
    return job();
  })();
  last.set(name, mine);
  try {
    return await mine;
  } finally {
    if (last.get(name) === mine) last.delete(name);
  }
}
