import type { ScoreAndFate } from './score-and-fate';

/** Shares of living that never fall with the score: from each score on, until the next. */
export interface IsotonicFit {
  steps: { from: number; share: number; count: number }[];
}

/**
 * The best fitting shares that never fall with the score: equal scores are pooled first, then neighbours that violate
 * the order. Source: M. Ayer et al., "An empirical distribution function for sampling with incomplete information",
 * Annals of Mathematical Statistics 26 (1955).
 *
 * @example isotonicFit([{ score: 50, alive: true }, { score: 60, alive: false }]).steps // one of 0.5 from 50
 */
export function isotonicFit(known: readonly ScoreAndFate[]): IsotonicFit {
  const pools: { scores: number[]; alive: number; count: number }[] = [];
  for (const { score, alive } of [...known].sort((a, b) => a.score - b.score)) {
    const last = pools.at(-1);
    if (last && last.scores[0] === score) {
      last.alive += Number(alive);
      last.count++;
    } else pools.push({ scores: [score], alive: Number(alive), count: 1 });
  }
  const merged: typeof pools = [];
  for (const pool of pools) {
    let current = pool;
    for (let before = merged.at(-1); before && falls(before, current); before = merged.at(-1)) {
      merged.pop();
      current = {
        scores: [...before.scores, ...current.scores],
        alive: before.alive + current.alive,
        count: before.count + current.count,
      };
    }
    merged.push(current);
  }
  return {
    steps: merged.map(({ scores, alive, count }) => ({ from: scores[0]!, share: alive / count, count })),
  };
}

/** The share at a score: that of the largest score not above it, or the first. Null for a fit of nothing. */
export function isotonicAt({ steps }: IsotonicFit, score: number): number | null {
  return (steps.findLast(({ from }) => from <= score) ?? steps[0])?.share ?? null;
}

/** Whether the share falls from a pool to the next; in whole numbers, so that equal shares stay apart. */
function falls(before: { alive: number; count: number }, after: { alive: number; count: number }): boolean {
  return before.alive * after.count > after.alive * before.count;
}
