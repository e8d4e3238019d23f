import type { IsoDate } from '../../units/iso-date';
import { type KnitForecast, knitForecast } from './knit-forecast';
import type { DayOfWarmth } from './warmth-by-day';

/** How far a batch of grafts has knit in its callus place. */
export interface BatchProgress extends KnitForecast {
  /** Days of full warmth so far. */
  knit: number;
  heatHours: number;
  frostHours: number;
  /** Hours nobody measured. */
  unknownHours: number;
}

/** A day is whole once readings stand for nearly all of it. */
const WHOLE = 23;

/**
 * How far a batch has knit that stands in a place since a day: what counts begins with the day after.
 *
 * @param days of the place, in their order
 * @param callused days of full warmth after which it is taken for callused
 * @example batchProgress(days, '2027-03-06', 14).knit // 6.5
 */
export function batchProgress(days: readonly DayOfWarmth[], since: IsoDate, callused: number): BatchProgress {
  const own = days.filter(({ on }) => on > since);
  const sum = (figure: 'knit' | 'heatHours' | 'frostHours' | 'measured'): number =>
    own.reduce((total, day) => total + day[figure], 0);
  const last = own.at(-1);
  const begun = last && last.measured < WHOLE ? last : null;
  const whole = begun ? own.slice(0, -1) : own;
  return {
    ...knitForecast(
      whole.map(({ knit }) => Math.min(1, knit)),
      callused,
      begun?.knit ?? 0,
    ),
    knit: sum('knit'),
    heatHours: sum('heatHours'),
    frostHours: sum('frostHours'),
    // The day that is not over has no hours yet that somebody could have measured.
    unknownHours: whole.reduce((total, { measured }) => total + Math.max(0, WHOLE - measured), 0),
  };
}
