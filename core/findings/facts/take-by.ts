import { groupedBy } from '../../units/grouped-by';
import type { TakeRate } from '../take/take-rate';
import type { KeeperFact } from './keeper-fact';

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

/** What a keeper, or several that are alike, belong to. */
export type BelongsTo = Pick<KeeperFact, 'woodLotId' | 'date' | 'method' | 'siteId'> & {
  makerId: string | null;
  variety: string | null;
};

/** Keepers that have something in common. */
export interface TakeGroup<Member> {
  level: string;
  take: TakeRate;
  members: Member[];
}

/**
 * Keepers by a kind, best known take first, those of which nothing is known last.
 *
 * @param takeOf the take of some members: of keepers one by one, or counted.
 */
export function takeBy<Member extends BelongsTo>(
  members: readonly Member[],
  kind: TakeKind,
  takeOf: (some: readonly Member[]) => TakeRate,
): TakeGroup<Member>[] {
  return [...groupedBy(members, (member) => levelOf(member, kind))]
    .filter(([level]) => level !== '')
    .map(([level, own]) => ({ level, members: own, take: takeOf(own) }))
    .sort(
      (a, b) =>
        (b.take.rate ?? -1) - (a.take.rate ?? -1) ||
        b.take.handedOver - a.take.handedOver ||
        a.level.localeCompare(b.level, 'en'),
    );
}

/** What a keeper belongs to, of a kind; empty for none. A variety goes by the lot: where that is not sure, neither is it. */
export function levelOf(member: BelongsTo, kind: TakeKind): string {
  switch (kind) {
    case 'lot':
      return member.woodLotId ?? '';
    case 'day':
      return member.date;
    case 'hand':
      return member.makerId ?? '';
    case 'variety':
      return (member.woodLotId && member.variety) || '';
    case 'method':
      return member.method;
    case 'site':
      return member.siteId;
  }
}
