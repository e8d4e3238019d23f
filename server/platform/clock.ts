/**
 * The time as Pear Bench has it: that of the machine, or moved by so many ms where a demo is shown as of another day
 * (`./start --today`). Everything that happens in the server takes its time from here.
 */
export function clockNow(): Date {
  return new Date(Date.now() + clockOffset());
}

/** By how much the clock of a demo is moved, ms. */
export function clockOffset(): number {
  return Number(process.env.PEAR_BENCH_CLOCK_OFFSET ?? 0);
}
