/** Keepers by what is known of them. */
export interface HeardCounts {
  alive: number;
  dead: number;
  unknown: number;
}

/** Fewer who answered only after a reminder say nothing of those who did not answer at all. */
export const REMINDED_NEEDED = 10;

/**
 * Take over all keepers if a share of those not heard from lives; null of no keepers.
 *
 * @param share 0 for all dead to 1 for all alive
 * @example takeIf({ alive: 30, dead: 10, unknown: 8 }, 0.5) // 0.708
 */
export function takeIf({ alive, dead, unknown }: HeardCounts, share: number): number | null {
  if (!(share >= 0 && share <= 1)) throw new RangeError('A share lies between 0 and 1.');
  const all = alive + dead + unknown;
  return all === 0 ? null : (alive + share * unknown) / all;
}

/** Take if the unheard live as often as those heard; null when nobody was heard. */
export function takeAsHeard(counts: HeardCounts): number | null {
  const known = counts.alive + counts.dead;
  return known === 0 ? null : takeIf(counts, counts.alive / known);
}

/** Take if the unheard live as often as those who answered only after a reminder; null with fewer than ten of these. */
export function takeAsReminded(counts: HeardCounts, reminded: { alive: number; dead: number }): number | null {
  const known = reminded.alive + reminded.dead;
  return known < REMINDED_NEEDED ? null : takeIf(counts, reminded.alive / known);
}

/**
 * The share of the unheard that would have to live for the take of all to be just a rate; null where it lies on one side
 * of it whatever became of them.
 *
 * @example turnsAt({ alive: 30, dead: 10, unknown: 8 }, 0.7) // 0.45
 */
export function turnsAt(counts: HeardCounts, rate: number): number | null {
  const { alive, dead, unknown } = counts;
  if (unknown === 0) return null;
  const share = (rate * (alive + dead + unknown) - alive) / unknown;
  return share >= 0 && share <= 1 ? share : null;
}

/**
 * The share of the unheard (the same in both) at which two are equally good, so that the better one changes; null where
 * one is better at every share.
 */
export function ranksTurnAt(first: HeardCounts, second: HeardCounts): number | null {
  const [a0, a1] = [takeIf(first, 0), takeIf(first, 1)];
  const [b0, b1] = [takeIf(second, 0), takeIf(second, 1)];
  if (a0 === null || a1 === null || b0 === null || b1 === null) return null;
  const [atNone, atAll] = [a0 - b0, a1 - b1];
  return atNone * atAll < 0 ? atNone / (atNone - atAll) : null;
}
