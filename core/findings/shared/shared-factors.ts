import hypergeometric from '@stdlib/stats-base-dists-hypergeometric-cdf';
import { sharedFactor } from '../../statistics/shared-factor';

/** What deaths may have in common; the last two, what was paired and a tie that stayed on, are no evidence of the tables. */
export const LEVEL_KINDS = [
  'wood-lot',
  'stock-lot',
  'grafter',
  'bench',
  'day',
  'place',
  'material',
  'pair',
  'tie',
] as const;
export type LevelKind = (typeof LEVEL_KINDS)[number];

/** A union of which one knows that it lives or that it died, and all it belongs to. */
export interface KnownFate {
  unionId: string;
  workshopId: string;
  dead: boolean;
  /** Of each kind, the keys it belongs to: a union may have stood in two places. */
  levels: Partial<Record<LevelKind, readonly string[]>>;
}

/** How many died inside a level, and beside it in the same workshops. */
export interface LevelCounts {
  kind: LevelKind;
  level: string;
  dead: number;
  all: number;
  deadBeside: number;
  allBeside: number;
  /** How much likelier the counts are where the level has a rate of its own. */
  factor: number;
  /** Its unions, by their place in the list. */
  members: readonly number[];
}

/** A level that stands out, and beside the others that do. */
export interface SharedFactor extends LevelCounts {
  /** How many levels with counts like these chance alone would make among all that were looked at. */
  byChance: number;
  /** True where chance alone would hardly ever show it: only this is said in a sentence. */
  named: boolean;
  /** Levels that hold nearly the same unions: nobody can tell them apart. */
  inseparable: LevelId[];
  /** The level that explains this one: without its unions this one stands out no more. */
  explainedBy: LevelId | null;
}

export interface LevelId {
  kind: LevelKind;
  level: string;
}

/** From this factor on a level is told on a page: many are looked at. */
export const TOLD_FROM = 20;
/** A level is named where chance would show so few like it among all that were looked at. */
export const NAMED_BELOW = 0.005;
/** From this share of common unions on two levels cannot be told apart. */
const NEARLY_SAME = 0.9;

/**
 * Counts deaths inside each level and beside it: among the other unions with a known fate of the workshops that had the
 * level. Levels that are all of their workshops have nothing beside them and are left out.
 */
export function levelCounts(fates: readonly KnownFate[]): LevelCounts[] {
  const days = new Map<string, { dead: number; all: number }>();
  const members = new Map<LevelKind, Map<string, number[]>>(LEVEL_KINDS.map((kind) => [kind, new Map()]));
  fates.forEach(({ workshopId, dead, levels }, at) => {
    const day = days.get(workshopId) ?? { dead: 0, all: 0 };
    days.set(workshopId, { dead: day.dead + Number(dead), all: day.all + 1 });
    for (const kind of LEVEL_KINDS)
      for (const level of levels[kind] ?? []) {
        const byLevel = members.get(kind)!;
        const own = byLevel.get(level);
        if (own === undefined) byLevel.set(level, [at]);
        else if (own.at(-1) !== at) own.push(at);
      }
  });
  return [...members].flatMap(([kind, byLevel]) =>
    [...byLevel].flatMap(([level, own]): LevelCounts[] => {
      const around = [...new Set(own.map((at) => fates[at]!.workshopId))].map((id) => days.get(id)!);
      const dead = own.reduce((sum, at) => sum + Number(fates[at]!.dead), 0);
      const all = own.length;
      const deadBeside = around.reduce((sum, day) => sum + day.dead, 0) - dead;
      const allBeside = around.reduce((sum, day) => sum + day.all, 0) - all;
      if (allBeside === 0) return [];
      const factor = sharedFactor({ dead, all, deadBeside, allBeside });
      return [{ kind, level, dead, all, deadBeside, allBeside, factor, members: own }];
    }),
  );
}

/**
 * What deaths share: the levels that stand out from factor 20 on, the one that explains most first. One that stands out
 * no more once the unions of a stronger one are left out is said to be explained by it; those that hold nearly the same
 * unions, to be inseparable.
 *
 * @example sharedFactors(fates)[0] // { kind: 'wood-lot', level: 'warm', dead: 9, all: 10, deadBeside: 6, allBeside: 44, ... }
 */
export function sharedFactors(fates: readonly KnownFate[], counts = levelCounts(fates)): SharedFactor[] {
  const told = counts.filter(({ factor }) => factor >= TOLD_FROM).sort((a, b) => b.factor - a.factor);
  const out = new Set<number>();
  const explaining: LevelCounts[] = [];
  return told.map((level) => {
    const others = told.filter((other) => other !== level && nearlySame(level, other));
    const twin = explaining.find((other) => nearlySame(level, other));
    const alone = twin ? false : explaining.length === 0 || factorWithout(fates, level, out) >= TOLD_FROM;
    const by = alone || twin ? null : mostInCommon(level, explaining);
    if (alone) {
      explaining.push(level);
      for (const at of level.members) out.add(at);
    }
    const byChance = counts.length * chanceOf(level);
    return {
      ...level,
      byChance,
      named: byChance < NAMED_BELOW,
      inseparable: others.map(idOf),
      explainedBy: by && idOf(by),
    };
  });
}

const idOf = ({ kind, level }: LevelCounts): LevelId => ({ kind, level });

/** How likely so many deaths or more fall into a level when they fall anywhere. */
function chanceOf({ dead, all, deadBeside, allBeside }: LevelCounts): number {
  return Math.max(0, 1 - hypergeometric(dead - 1, all + allBeside, dead + deadBeside, all));
}

function common(a: LevelCounts, b: LevelCounts): number {
  const own = new Set(a.members);
  return b.members.filter((at) => own.has(at)).length;
}

function nearlySame(a: LevelCounts, b: LevelCounts): boolean {
  const [few, many] = a.all < b.all ? [a.all, b.all] : [b.all, a.all];
  // Sets so unlike in size cannot share nine tenths: most pairs end here.
  if (few < NEARLY_SAME * many) return false;
  const both = common(a, b);
  return both >= NEARLY_SAME * (a.all + b.all - both);
}

function mostInCommon(level: LevelCounts, among: readonly LevelCounts[]): LevelCounts {
  return among.reduce((best, next) => (common(level, next) > common(level, best) ? next : best));
}

/** The factor of a level once some unions are left out, inside and beside it. */
function factorWithout(fates: readonly KnownFate[], level: LevelCounts, out: ReadonlySet<number>): number {
  const days = new Set(level.members.map((at) => fates[at]!.workshopId));
  const own = new Set(level.members);
  const counts = { dead: 0, all: 0, deadBeside: 0, allBeside: 0 };
  fates.forEach(({ workshopId, dead }, at) => {
    if (out.has(at) || !days.has(workshopId)) return;
    counts[own.has(at) ? 'all' : 'allBeside']++;
    if (dead) counts[own.has(at) ? 'dead' : 'deadBeside']++;
  });
  return sharedFactor(counts);
}
