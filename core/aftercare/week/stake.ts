import type { WeekGroup } from './week-group';

/** What is lost where a task is left, worst first. */
export const STAKES = ['life', 'break', 'season', 'lesser'] as const;
export type Stake = (typeof STAKES)[number];

export const STAKE_WORDS: Record<Stake, string> = {
  life: 'The graft may die',
  break: 'It may break out',
  season: 'A season may be lost',
  lesser: 'Shape, fruit or knowledge suffers',
};

/** By the id of a task; what is not named here costs no graft. Source: what each task says comes of leaving it. */
const STAKE_OF: Record<string, Stake> = {
  roots: 'life',
  warm: 'life',
  reseal: 'life',
  suckers: 'life',
  'none-below': 'life',
  'binding-off': 'life',
  'unwrap-bud': 'life',
  'unwrap-tip': 'life',
  'foil-off': 'life',
  'bag-open': 'life',
  'cover-off': 'life',
  'hands-off': 'life',
  'dark-seal': 'life',
  shade: 'life',
  nurse: 'life',
  'low-branches': 'life',
  'plant-out': 'life',
  'head-1': 'life',
  'head-2': 'life',
  'head-3': 'life',
  'soft-bark': 'life',
  'stock-shoots': 'life',
  'dead-wood': 'life',
  collar: 'life',
  'union-off': 'life',
  'stake-off': 'life',
  'brace-off': 'life',
  'tie-up': 'break',
  'tie-stub': 'break',
  guard: 'break',
  brace: 'break',
  support: 'break',
  'head-back': 'season',
  'head-back-last': 'season',
  'patch-top': 'season',
  'lop-off': 'season',
  plump: 'season',
  swell: 'season',
  'bud-wakes': 'season',
  'second-chance': 'season',
  'still-dormant': 'season',
};

/** @example stakeOf('binding-off') // 'life' */
export function stakeOf(task: string): Stake {
  return STAKE_OF[task] ?? 'lesser';
}

/** What is overdue of one lot at one place. */
export interface OverdueLot {
  key: string;
  lot: Pick<WeekGroup, 'workshop' | 'site' | 'variety' | 'method'>;
  stake: Stake;
  groups: WeekGroup[];
}

/** Overdue tasks by lot, what has most at stake first; alarms stand before all else and are left out. */
export function overdueLots(groups: readonly WeekGroup[]): OverdueLot[] {
  const lots = new Map<string, OverdueLot>();
  const rank = (task: string): number => STAKES.indexOf(stakeOf(task));
  for (const group of groups) {
    if (!group.late || group.alarm) continue;
    const { siteId, workshopId, workshop, site, variety, method } = group;
    const key = `${siteId} ${workshopId} ${variety} ${method}`;
    const known = lots.get(key);
    if (known) known.groups.push(group);
    else lots.set(key, { key, lot: { workshop, site, variety, method }, stake: 'lesser', groups: [group] });
  }
  return [...lots.values()]
    .map((lot) => {
      const sorted = [...lot.groups].sort((a, b) => rank(a.task) - rank(b.task) || (a.to < b.to ? -1 : 1));
      return { ...lot, groups: sorted, stake: stakeOf(sorted[0]!.task) };
    })
    .sort((a, b) => STAKES.indexOf(a.stake) - STAKES.indexOf(b.stake));
}
