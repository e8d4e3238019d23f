import { ROUNDING } from '@/core/units/tolerance';
/** A practice union as readiness sees it. */
export interface Attempt {
  /** Null when nothing of it was looked at. */
  score: number | null;
  fatal: boolean;
  /** The piece was whittled: it says little about the join. */
  recut: boolean;
}

/** How many of the last practice unions have to reach which score, none of them with a fatal fault. */
export interface ReadyRule {
  last: number;
  score: number;
}

/** Source: usual practice, judging a union on the bench. */
export const USUAL_READY_RULE: ReadyRule = { last: 3, score: 75 };

/** Attempts that readiness counts: scored, and not recut. */
export function countedAttempts<T extends Attempt>(attempts: readonly T[]): T[] {
  return attempts.filter(({ score, recut }) => score !== null && !recut);
}

export function reaches({ score, fatal }: Attempt, rule: ReadyRule): boolean {
  return !fatal && score !== null && score >= rule.score - ROUNDING;
}

/**
 * Good attempts in a row, counted from the last; ready when they are as many as the rule asks.
 *
 * @example goodInARow([{ score: 90, fatal: false, recut: false }], { last: 3, score: 75 }) // 1
 */
export function goodInARow(attempts: readonly Attempt[], rule: ReadyRule): number {
  const counted = countedAttempts(attempts);
  let row = 0;
  for (let i = counted.length - 1; i >= 0 && reaches(counted[i]!, rule); i--) row++;
  return row;
}

/** Ready for living wood. */
export function isReady(attempts: readonly Attempt[], rule: ReadyRule): boolean {
  return goodInARow(attempts, rule) >= rule.last;
}
