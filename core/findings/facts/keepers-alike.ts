import { MILESTONES, type Milestone } from '../../methods/milestones';
import type { IsoDate } from '../../units/iso-date';
import { takeRate, type TakeRate } from '../take/take-rate';

/** How many of some keepers are known alive or dead at a milestone. */
export interface FateCounts {
  alive: number;
  dead: number;
  /** Of those alive then, such as were seen dead before they were seen alive: what became of them is not known. */
  contradicted: number;
  /** Told of only after a second letter, and not contradicted. */
  reminded: { alive: number; dead: number };
}

/** Keepers that share what findings count first, in numbers instead of one by one. */
export interface KeepersAlike {
  workshopId: string;
  siteId: string;
  date: IsoDate;
  method: string;
  variant: string;
  woodLotId: string | null;
  variety: string | null;
  /** Null where hands are counted elsewhere. */
  makerId: string | null;
  asked: readonly Milestone[];
  keepers: number;
  at: Record<Milestone, FateCounts>;
}

/**
 * Take of keepers that were counted, at a milestone, or at the last one each workshop was asked for. As with single
 * keepers, a workshop nobody asked for the milestone counts for nothing there.
 */
export function takeOfAlike(alike: readonly KeepersAlike[], milestone: Milestone | null): TakeRate {
  const counts = { handedOver: 0, alive: 0, dead: 0 };
  for (const { asked, keepers, at } of alike) {
    if (milestone && !asked.includes(milestone)) continue;
    counts.handedOver += keepers;
    const last = milestone ?? asked.at(-1);
    if (!last) continue;
    const { alive, dead } = milestone ? at[last] : settled(at[last]);
    counts.alive += alive;
    counts.dead += dead;
  }
  return takeRate(counts);
}

/** What became of keepers in the end: one that was seen dead before it was seen alive is not known. */
export function settled({ alive, dead, contradicted }: FateCounts): { alive: number; dead: number } {
  return { alive: alive - contradicted, dead };
}

/** Of those told of only after a second letter, how many live at a milestone and how many are dead. */
export function remindedOfAlike(
  alike: readonly KeepersAlike[],
  milestone: Milestone | null,
): { alive: number; dead: number } {
  const sum = { alive: 0, dead: 0 };
  for (const { asked, at } of alike) {
    const last = milestone ?? asked.at(-1);
    if (!last || !asked.includes(last)) continue;
    sum.alive += at[last].reminded.alive;
    sum.dead += at[last].reminded.dead;
  }
  return sum;
}

/** Counts of a milestone in the order they are kept in. */
export const KEPT_COUNTS = ['alive', 'dead', 'contradicted', 'remindedAlive', 'remindedDead'] as const;

/** Reads counts as they are kept: five of each milestone, one milestone after the other. */
export function fateCountsOf(kept: readonly number[]): Record<Milestone, FateCounts> {
  if (kept.length !== MILESTONES.length * KEPT_COUNTS.length)
    throw new RangeError('Counts of keepers are five for each milestone.');
  const countsAt = (i: number): FateCounts => {
    const [alive, dead, contradicted, remindedAlive, remindedDead] = kept.slice(
      i * KEPT_COUNTS.length,
      (i + 1) * KEPT_COUNTS.length,
    ) as [number, number, number, number, number];
    return { alive, dead, contradicted, reminded: { alive: remindedAlive, dead: remindedDead } };
  };
  return Object.fromEntries(MILESTONES.map((milestone, i) => [milestone, countsAt(i)])) as Record<
    Milestone,
    FateCounts
  >;
}
