import type { GrowthObservation } from './growth-date';

/** How fast a shoot grows beside others of its kind. */
export interface WeeklyGrowth {
  /** mm a week, as it was last measured. */
  perWeek: number;
  /** The middle of its kin, and how many they are; null where too few were measured. */
  kin: { perWeek: number; count: number } | null;
  /** It grows less than half as fast as its kin. */
  slow: boolean;
}

const WEEK = 7;
/** Fewer than these are no kin to be measured by: our guess. */
const FEWEST = 3;
/** Growing slower than this share of its kin is slow: our guess. */
const SLOW = 0.5;
/** Kin are compared as they grew at about the same time, days. */
const SAME_TIME = 30;

/**
 * How much a shoot grows a week: between its last height and the latest one at least a week before it, both as running
 * maxima; what was shortened on purpose starts anew.
 *
 * @param observations in the order of their days
 * @returns mm a week and the day it was last measured; null where two heights a week apart are missing
 * @example growthRate([{ day: 70, height: 60 }, { day: 84, height: 160 }]) // { perWeek: 50, day: 84 }
 */
export function growthRate(observations: readonly GrowthObservation[]): { perWeek: number; day: number } | null {
  const cut = observations.findLastIndex(({ shortened }) => shortened);
  const own = observations.slice(Math.max(0, cut));
  const last = own.at(-1);
  if (!last) return null;
  const highestBy = (day: number): number =>
    own.reduce((most, seen) => (seen.day <= day ? Math.max(most, seen.height) : most), 0);
  const before = own.findLast(({ day }) => day <= last.day - WEEK);
  if (!before) return null;
  return {
    perWeek: ((highestBy(last.day) - highestBy(before.day)) / (last.day - before.day)) * WEEK,
    day: last.day,
  };
}

/**
 * How fast a shoot grows beside its kin: plants of the same variety and method, as they grew at about the same time.
 *
 * @param kin observations of each of the others, days counted from the same day
 * @returns null where the shoot itself was not measured twice
 */
export function weeklyGrowth(
  own: readonly GrowthObservation[],
  kin: readonly (readonly GrowthObservation[])[],
): WeeklyGrowth | null {
  const rate = growthRate(own);
  if (!rate) return null;
  const rates = kin
    .map(growthRate)
    .filter((other) => other !== null && Math.abs(other.day - rate.day) <= SAME_TIME)
    .map((other) => other!.perWeek)
    .sort((a, b) => a - b);
  if (rates.length < FEWEST) return { perWeek: rate.perWeek, kin: null, slow: false };
  const middle = (rates[Math.floor((rates.length - 1) / 2)]! + rates[Math.ceil((rates.length - 1) / 2)]!) / 2;
  return {
    perWeek: rate.perWeek,
    kin: { perWeek: middle, count: rates.length },
    slow: rate.perWeek < SLOW * middle,
  };
}
