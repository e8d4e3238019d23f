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
