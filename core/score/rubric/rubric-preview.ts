import { type Attempt, isReady, type ReadyRule } from '../readiness/ready-rule';

/** One person's practice by the rule of now and by a changed one, in the order it was made. */
export interface PreviewedHand {
  ready: ReadyRule;
  unions: { now: Attempt; then: Attempt }[];
}

export interface RubricPreview {
  unions: number;
  people: number;
  /** Mean score now and then, null without unions. */
  mean: { now: number; then: number } | null;
  /** Unions whose score rises, falls, by more than half a point. */
  rises: number;
  falls: number;
  readyNow: number;
  readyThen: number;
  /** People who are ready and would not be, and the other way round. */
  lost: number;
  gained: number;
}

/** What a changed rule would have made of past practice. */
export function rubricPreview(hands: readonly PreviewedHand[]): RubricPreview {
  const pairs = hands
    .flatMap(({ unions }) => unions)
    .filter(({ now, then }) => now.score !== null && then.score !== null);
  const mean = (side: 'now' | 'then'): number => pairs.reduce((sum, pair) => sum + pair[side].score!, 0) / pairs.length;
  const ready = hands.map(
    ({ ready: rule, unions }) =>
      [
        isReady(
          unions.map(({ now }) => now),
          rule,
        ),
        isReady(
          unions.map(({ then }) => then),
          rule,
        ),
      ] as const,
  );
  const moved = (by: 1 | -1): number => pairs.filter(({ now, then }) => by * (then.score! - now.score!) > 0.5).length;
  return {
    unions: pairs.length,
    people: hands.length,
    mean: pairs.length === 0 ? null : { now: mean('now'), then: mean('then') },
    rises: moved(1),
    falls: moved(-1),
    readyNow: ready.filter(([now]) => now).length,
    readyThen: ready.filter(([, then]) => then).length,
    lost: ready.filter(([now, then]) => now && !then).length,
    gained: ready.filter(([now, then]) => !now && then).length,
  };
}
