import type { Instrumentation } from 'next';

/** A page that could not be drawn is told of on the status page of the lead. */
export const onRequestError: Instrumentation.onRequestError = async (error, { path }) => {
  const digest = (error as { digest?: unknown } | null)?.digest;
  if (process.env.NEXT_RUNTIME !== 'nodejs' || (typeof digest === 'string' && digest.startsWith('NEXT_'))) return;
  const { addressWithoutIds, noteFault } = await import('./server/platform/server-record');
  noteFault(`The page ${addressWithoutIds(path)} could not be shown`);
};

/** Runs once when the server starts, before it takes requests. */
export async function register(): Promise<void> {
  // One server of several sees to letters, and no build does.
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.PEAR_BENCH_TENDS !== '1') return;
  const [{ startCaretaker }, { services }] = await Promise.all([
    import('./ops/caretaker'),
    import('./app/_http/services'),
  ]);
  await startCaretaker(services);
}
