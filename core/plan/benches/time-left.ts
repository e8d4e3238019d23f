import { ROUNDING } from '@/core/units/tolerance';
import { type DayBlock, type DayPlan, minutesForUnions, waitingForKnives } from './time-plan';

/** Minutes of cutting a method has left in the day's blocks after `now`, minutes since midnight; pauses and other methods do not count. */
export function cuttingMinutesLeft(blocks: readonly DayBlock[], method: string, now: number): number {
  return blocks
    .filter((block) => block.method === method && (block.kind === 'practice' || block.kind === 'keepers'))
    .reduce((sum, { from, to }) => sum + Math.max(0, to - Math.max(from, now)), 0);
}

/** Unions counted at most. */
const MOST = 200;

/**
 * Whole unions that somebody with `made` behind them gets done in so many minutes, waiting for knives included.
 * Source of the time a union takes: minutesForUnions.
 *
 * @example unionsWithin(36, 0, { firstUnion: 20, falling: 0.8, knives: null }, 10) // 2: 20 + 16
 */
export function unionsWithin(
  minutes: number,
  made: number,
  plan: Pick<DayPlan, 'firstUnion' | 'falling' | 'knives'>,
  people: number,
): number {
  const waiting = waitingForKnives(plan, people);
  let left = minutes + ROUNDING;
  for (let more = 0; more < MOST; more++) {
    left -= waiting * minutesForUnions(made + more + 1, made + more + 1, plan.firstUnion, plan.falling);
    if (left < 0) return more;
  }
  return MOST;
}
