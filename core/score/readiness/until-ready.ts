import type { LearningCurve } from './learning-curve';
import { countedAttempts, goodInARow, type Attempt, type ReadyRule } from './ready-rule';

/** A curve is told from so many attempts on, and only when its interval is narrower than this, points. */
export const LEAST_ATTEMPTS = 4;
export const WIDEST_INTERVAL = 30;

export interface ReadyOutlook {
  /** The curve at the next attempt with its 90 % interval, or null while it is not known. */
  next: { mean: number; from: number; to: number } | null;
  /** Expected further attempts until ready, 0 when ready, null when not known; `beyond` when more than are counted. */
  attempts: number | null;
  beyond: boolean;
  /** Chance of being ready after so many more attempts; null when not known. */
  within: (more: number) => number | null;
}

/** Further attempts that are looked at. */
const HORIZON = 40;

/**
 * When somebody will be ready: the chance of a run of good unions, from the curve's chance of each.
 * The state is the run so far, so the chances are exact given the curve (a Markov chain over runs).
 */
export function outlook(attempts: readonly Attempt[], curve: LearningCurve, rule: ReadyRule): ReadyOutlook {
  const counted = countedAttempts(attempts);
  const n = counted.length + 1;
  const row = goodInARow(attempts, rule);
  const { mean, half } = curve.at(n);
  const known = counted.length >= LEAST_ATTEMPTS && 2 * half <= WIDEST_INTERVAL;
  if (row >= rule.last)
    return { next: known ? interval(mean, half) : null, attempts: 0, beyond: false, within: () => 1 };
  // Too few unions to make up the run are too few whatever the hand is like.
  if (!known)
    return { next: null, attempts: null, beyond: false, within: (more) => (more < rule.last - row ? 0 : null) };
  // chances[k]: not ready yet, with a run of k good ones.
  let chances: number[] = Array.from({ length: rule.last }, (_, k) => (k === row ? 1 : 0));
  const ready = [0];
  let expected = 0;
  for (let more = 1; more <= HORIZON; more++) {
    const good = curve.chance(n + more - 1, rule.score);
    const waiting = chances.reduce((a, b) => a + b, 0);
    expected += waiting;
    const next = Array.from({ length: rule.last }, () => 0);
    next[0] = waiting * (1 - good);
    for (let k = 0; k + 1 < rule.last; k++) next[k + 1]! += chances[k]! * good;
    chances = next;
    ready.push(1 - chances.reduce((a, b) => a + b, 0));
  }
  return {
    next: interval(mean, half),
    attempts: expected,
    beyond: ready.at(-1)! < 0.9,
    within: (more) => ready[Math.max(0, Math.min(HORIZON, Math.floor(more)))]!,
  };
}

function interval(mean: number, half: number): { mean: number; from: number; to: number } {
  return { mean, from: Math.max(0, mean - half), to: Math.min(100, mean + half) };
}
