import { CALLUSED } from '@/core/plan/phenology/knitting-rate';

/** When a batch will be callused. */
export interface KnitForecast {
  /** Days from now until it is callused, at the mean rate of late; 0 once it is. Null where it stands still. */
  days: number | null;
  /** The same at the fastest and at the slowest day of late; the slowest is null where it stood still. */
  soonest: number | null;
  latest: number | null;
}

/** What comes is taken to be like the last so many days. */
const LATE_DAYS = 5;

/**
 * When a batch will be callused, from what it has knit a day: at the mean of the last days, with the range of its fastest
 * and its slowest one.
 *
 * @param daily knit days of each whole day so far, from 0 to 1
 * @param begun what the day that is not over yet has knit so far: it counts, and tells no rate
 * @throws RangeError when a day has none or more than a whole one
 * @example knitForecast([1, 1, 1, 1, 1, 1, 1]).days // 7
 */
export function knitForecast(daily: readonly number[], callused: number = CALLUSED, begun = 0): KnitForecast {
  if (daily.some((day) => !(day >= 0 && day <= 1 + 1e-9)))
    throw new RangeError('A day knits from none to a whole one.');
  const left = callused - daily.reduce((sum, day) => sum + day, begun);
  if (left <= 1e-9) return { days: 0, soonest: 0, latest: 0 };
  const late = daily.slice(-LATE_DAYS);
  if (late.length === 0) return { days: null, soonest: null, latest: null };
  const at = (rate: number): number | null => (rate > 0 ? Math.ceil(left / rate - 1e-9) : null);
  return {
    days: at(late.reduce((sum, day) => sum + day, 0) / late.length),
    soonest: at(Math.max(...late)),
    latest: at(Math.min(...late)),
  };
}
