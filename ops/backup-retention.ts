/** All of so many hours are kept, ms. */
const ALL_OF = 48 * 3_600_000;
/** How many of each are kept before that: the last of each of so many days, weeks and months that have one. */
const KEPT = { days: 7, weeks: 5, months: 12 } as const;

/**
 * Which backups to keep: all of the last two days, and the latest of each of the last seven days, five weeks and twelve
 * months, so that neither last night nor last spring is lost, and no bad day takes the good one before it.
 *
 * @param moments when they were made, in any order.
 */
export function backupsToKeep(moments: readonly Date[], now: Date): Date[] {
  const latestFirst = [...moments].sort((a, b) => b.getTime() - a.getTime());
  const kept = new Set<Date>();
  const keep = (count: number, periodOf: (moment: Date) => string): void => {
    const periods = new Set<string>();
    for (const moment of latestFirst) {
      const period = periodOf(moment);
      if (periods.has(period)) continue;
      if (periods.size === count) return;
      periods.add(period);
      kept.add(moment);
    }
  };
  for (const moment of latestFirst) if (now.getTime() - moment.getTime() <= ALL_OF) kept.add(moment);
  keep(KEPT.days, (moment) => moment.toISOString().slice(0, 10));
  keep(KEPT.weeks, (moment) => String(Math.floor((moment.getTime() / 86_400_000 + 3) / 7)));
  keep(KEPT.months, (moment) => moment.toISOString().slice(0, 7));
  return latestFirst.filter((moment) => kept.has(moment));
}
