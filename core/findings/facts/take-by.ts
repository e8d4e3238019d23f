import { groupedBy } from '../../units/grouped-by';
import { takeOfStates } from '../take/take-of-plants';
import type { TakeRate } from '../take/take-rate';
import type { Milestone } from '../../methods/milestones';
import { type KeeperFact, statesAt } from './keeper-fact';

/** By what keepers are counted first. */
export const TAKE_KINDS = ['lot', 'day', 'hand', 'variety', 'method', 'site'] as const;
export type TakeKind = (typeof TAKE_KINDS)[number];

export const TAKE_KIND_WORDS: Record<TakeKind, string> = {
  lot: 'Lot of wood',
  day: 'Day',
  hand: 'Hand',
  variety: 'Variety',
  method: 'Method',
  site: 'Site',
};

/** Keepers that have something in common, seen one by one. */
export interface TakeGroup {
  level: string;
  take: TakeRate;
  members: KeeperFact[];
}

/** Keepers by a kind, best known take first, those of which nothing is known last. */
export function takeBy(facts: readonly KeeperFact[], kind: TakeKind, milestone: Milestone | null): TakeGroup[] {
  const groups = groupedBy(facts, (fact) => levelOf(fact, kind));
  return [...groups]
    .filter(([level]) => level !== '')
    .map(([level, members]) => ({
      level,
      members,
      take: takeOfStates(statesAt(members, milestone)),
    }))
    .sort((a, b) => (b.take.rate ?? -1) - (a.take.rate ?? -1) || b.members.length - a.members.length);
}

/** What a keeper belongs to, of a kind; empty for none. */
export function levelOf(fact: KeeperFact, kind: TakeKind): string {
  switch (kind) {
    case 'lot':
      return fact.woodLotId ?? '';
    case 'day':
      return fact.date;
    case 'hand':
      return fact.makerId;
    case 'variety':
      return fact.variety;
    case 'method':
      return fact.method;
    case 'site':
      return fact.siteId;
  }
}
