import { holm } from '../../statistics/holm';
import { type Stratum, stratifiedExcess } from '../../statistics/stratified-excess';
import { sameUnions } from './same-unions';

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
  /** Counts of several methods are never added up, as those of several workshops are not. */
  method: string;
  dead: boolean;
  /** Of each kind, the keys it belongs to: a union may have stood in two places. */
  levels: Partial<Record<LevelKind, readonly string[]>>;
}

/** How many died inside a level, and beside it in the same workshops by the same methods. */
export interface LevelCounts {
  kind: LevelKind;
  level: string;
  dead: number;
  all: number;
  deadBeside: number;
  allBeside: number;
  /** How much likelier the counts are where the level has odds of its own, by the strata that speak. */
  factor: number;
  /** Chance of so many dead inside when it is like the rest; 1 where no stratum speaks. */
  p: number;
  /** Workshops and methods in which something lies beside it, of both fates. */
  speaking: number;
  /** Its unions, by their place in the list. */
  members: readonly number[];
}

/** A level that stands out, and beside the others that do. */
export interface SharedFactor extends LevelCounts {
  /** True where chance alone would hardly ever show it: only this is said in a sentence. */
  named: boolean;
  /** Levels that hold nearly the same unions: nobody can tell them apart. */
  inseparable: LevelId[];
  /** Levels that hold nearly all of its unions, and others. */
  within: LevelId[];
  /** The level that explains this one: without its unions this one stands out no more. */
  explainedBy: LevelId | null;
}

export interface LevelId {
  kind: LevelKind;
  level: string;
}

/** From this factor on a level is told on a page: many are looked at. */
export const TOLD_FROM = 20;
/** A level is named where chance would show one like it among all that were looked at no oftener than so. */
export const NAMED_BELOW = 0.05;

/**
 * Counts deaths inside each level and beside it: among the other unions with a known fate of the same workshop and method.
 * Levels that have nothing beside them anywhere are left out.
 *
 * @param leftOut unions that are not counted
 */
export function levelCounts(fates: readonly KnownFate[], leftOut: ReadonlySet<number> = NOTHING): LevelCounts[] {
  const totals = new Map<string, { dead: number; all: number }>();
  const strata = fates.map(({ workshopId, method }) => `${workshopId} ${method}`);
  const members = new Map<LevelKind, Map<string, number[]>>(LEVEL_KINDS.map((kind) => [kind, new Map()]));
  fates.forEach(({ dead, levels }, at) => {
    if (leftOut.has(at)) return;
    const total = totals.get(strata[at]!) ?? { dead: 0, all: 0 };
    totals.set(strata[at]!, { dead: total.dead + Number(dead), all: total.all + 1 });
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
      const counts = countsOf(own, { fates, strata, totals });
      if (counts.allBeside === 0) return [];
      return [{ kind, level, ...counts, members: own }];
    }),
  );
}

const NOTHING: ReadonlySet<number> = new Set();

function countsOf(
  own: readonly number[],
  {
    fates,
    strata,
    totals,
  }: {
    fates: readonly KnownFate[];
    strata: readonly string[];
    totals: ReadonlyMap<string, { dead: number; all: number }>;
  },
): Omit<LevelCounts, 'kind' | 'level' | 'members'> {
  const inside = new Map<string, { dead: number; all: number }>();
  for (const at of own) {
    const here = inside.get(strata[at]!) ?? { dead: 0, all: 0 };
    inside.set(strata[at]!, { dead: here.dead + Number(fates[at]!.dead), all: here.all + 1 });
  }
  const sum = { dead: 0, all: own.length, deadBeside: 0, allBeside: 0 };
  const tables = [...inside].map(([stratum, { dead, all }]): Stratum => {
    const total = totals.get(stratum)!;
    sum.dead += dead;
    sum.deadBeside += total.dead - dead;
    sum.allBeside += total.all - all;
    return {
      deadInside: dead,
      aliveInside: all - dead,
      deadBeside: total.dead - dead,
      aliveBeside: total.all - all - (total.dead - dead),
    };
  });
  const { factor, p, speaking } = stratifiedExcess(tables);
  return { ...sum, factor, p, speaking };
}

/**
 * What deaths share. The strongest level that is told (factor 20 or more, and a chance that stands after Holm over all that
 * speak) is named; the rest are looked at again without its unions, until none is left to name. Others that stood out at
 * first are listed: explained by a named one where they stand out no more without it.
 *
 * @example sharedFactors(fates)[0] // { kind: 'wood-lot', level: 'warm', dead: 9, all: 10, deadBeside: 6, allBeside: 44, ... }
 */
export function sharedFactors(fates: readonly KnownFate[], counts = levelCounts(fates)): SharedFactor[] {
  const told = counts.filter(({ factor }) => factor >= TOLD_FROM).sort((a, b) => b.factor - a.factor);
  if (told.length === 0) return [];
  const same = sameUnions(counts.map(({ kind, level, members }) => ({ group: kind, level, members })));
  const placeOf = new Map(counts.map((level, i) => [idKey(level), i]));
  const named: LevelCounts[] = [];
  const out = new Set<number>();
  let left = counts;
  for (let found = strongestNamed(left); found; found = strongestNamed(left)) {
    const whole = counts[placeOf.get(idKey(found))!]!;
    named.push(whole);
    for (const at of whole.members) out.add(at);
    left = levelCounts(fates, out);
  }
  const leftOf = new Map(left.map((level) => [idKey(level), level]));
  const isNamed = new Set(named.map(idKey));
  const rest = told.filter((level) => !isNamed.has(idKey(level)));
  return [...named, ...rest].map((level): SharedFactor => {
    const { twins, within } = same(placeOf.get(idKey(level))!);
    const ids = (places: readonly number[]): LevelId[] => places.map((at) => idOf(counts[at]!));
    const isTwin = twins.some((at) => isNamed.has(idKey(counts[at]!)));
    const stillTold = (leftOf.get(idKey(level))?.factor ?? 1) >= TOLD_FROM;
    const by = isNamed.has(idKey(level)) || isTwin || stillTold ? null : mostInCommon(level, named);
    return {
      ...level,
      named: isNamed.has(idKey(level)),
      inseparable: ids(twins),
      within: ids(within),
      explainedBy: by && idOf(by),
    };
  });
}

const idOf = ({ kind, level }: LevelCounts): LevelId => ({ kind, level });
const idKey = ({ kind, level }: LevelCounts): string => `${kind} ${level}`;

/** The level with the largest factor that may be named among all that speak; null where none may. */
function strongestNamed(counts: readonly LevelCounts[]): LevelCounts | null {
  const speaking = counts.filter((level) => level.speaking > 0);
  const adjusted = holm(speaking.map(({ p }) => p));
  return speaking
    .filter(({ factor }, i) => factor >= TOLD_FROM && adjusted[i]! <= NAMED_BELOW)
    .reduce<LevelCounts | null>((best, next) => (!best || next.factor > best.factor ? next : best), null);
}

/** The named level with which one has most unions in common; null where it has none with any. */
function mostInCommon(level: LevelCounts, among: readonly LevelCounts[]): LevelCounts | null {
  const own = new Set(level.members);
  let best: { level: LevelCounts; common: number } | null = null;
  for (const other of among) {
    const common = other.members.filter((at) => own.has(at)).length;
    if (common > (best?.common ?? 0)) best = { level: other, common };
  }
  return best?.level ?? null;
}
