import { Z90 } from '../../statistics/normal-points';
import { answersMissing, MINIMUM } from '../facts/answers-missing';
import { adjustedDesign, type AdjustedUnion, MIXED_GROUPS } from '../mixed/adjusted-design';
import { adjustedFit, adjustedTerms } from '../mixed/adjusted-model';
import { differingLevels } from '../mixed/differing-levels';
import { levelIntervals } from '../mixed/level-intervals';
import { adjustedCosts } from '../points/adjusted-costs';
import { type KnownFate, type LevelKind, sharedFactors } from '../shared/shared-factors';
import { levelsOf, type Membership, sameUnions } from '../shared/same-unions';

/** A union of a table: with all it was made of and by. */
export interface ClaimedUnion extends AdjustedUnion {
  groups: Readonly<Partial<Record<ClaimedGroup, string | null>>>;
}

export const CLAIMED_GROUPS = [...MIXED_GROUPS, 'home', 'material'] as const;
export type ClaimedGroup = (typeof CLAIMED_GROUPS)[number];

/** A level of a group. */
export interface LevelOf {
  group: string;
  level: string;
}

export interface ClaimedLevel extends LevelOf {
  /** Levels that hold the same unions; of a person, the home that most of its unions stand in as well. */
  twins: LevelOf[];
}

/** What may be said of a club's unions. */
export interface Claims {
  score: { claims: boolean; slope: number; low: number; high: number } | null;
  costs: string[];
  differs: ClaimedLevel[];
  shared: ClaimedLevel[];
}

/**
 * What a table of unions with known fates lets one say: whether the score means anything for the same hand on the same day,
 * which points cost trees, which levels differ from the rest, and which have more deaths than lie beside them day by day.
 * Too little to calculate gives none.
 *
 * @throws RangeError for no unions, or a score outside 0 to 100
 */
export function claimsOf(unions: readonly ClaimedUnion[]): Claims {
  if (unions.length === 0) throw new RangeError('There is no union with a known fate.');
  const twinsOf = twinFinder(unions);
  return {
    score: scoreClaim(unions),
    costs: costClaims(unions),
    differs: differing(unions).map((level) => ({ ...level, twins: twinsOf(level) })),
    shared: sharing(unions).map((level) => ({ ...level, twins: twinsOf(level) })),
  };
}

const countsOf = (unions: readonly { alive: boolean }[]): { alive: number; dead: number } => {
  const alive = unions.filter((union) => union.alive).length;
  return { alive, dead: unions.length - alive };
};

/** The slope of the score with its 90 % interval; a claim only where it lies above 0 altogether. */
export function scoreClaim(unions: readonly AdjustedUnion[]): Claims['score'] {
  const judged = unions.filter(({ score, fatal }) => score !== null && fatal !== null);
  if (answersMissing(countsOf(judged), MINIMUM.score) > 0) return null;
  const design = adjustedDesign(judged, 'score');
  const slope = finite(() => adjustedTerms(adjustedFit(design)).fixed.find(({ name }) => name === 's'));
  if (!slope) return null;
  const low = slope.estimate - Z90 * slope.standardError;
  return {
    claims: design.slopeUntold === null && low > 0,
    slope: slope.estimate,
    low,
    high: slope.estimate + Z90 * slope.standardError,
  };
}

function costClaims(unions: readonly AdjustedUnion[]): string[] {
  const judged = unions.filter(({ grades }) => grades && Object.keys(grades).length > 0);
  if (answersMissing(countsOf(judged), MINIMUM.points) > 0) return [];
  const costs = finite(() => adjustedCosts(judged, adjustedFit(adjustedDesign(judged, 'points'))));
  return (costs ?? []).filter(({ named }) => named).map(({ point }) => point);
}

/** What cannot be fitted claims nothing. */
function finite<Found>(fit: () => Found): Found | null {
  try {
    return fit();
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

function differing(unions: readonly AdjustedUnion[]): LevelOf[] {
  if (answersMissing(countsOf(unions), MINIMUM.compare) > 0) return [];
  const found = finite(() => levelIntervals(adjustedFit(adjustedDesign(unions, 'nothing'))));
  if (!found) return [];
  return Object.entries(found.levels).flatMap(([group, levels]) =>
    differingLevels(levels).map(({ level }) => ({ group, level })),
  );
}

const KIND_OF: Partial<Record<ClaimedGroup, LevelKind>> = {
  wood_lot: 'wood-lot',
  stock_lot: 'stock-lot',
  grafter: 'grafter',
  home: 'place',
  material: 'material',
};

function sharing(unions: readonly ClaimedUnion[]): LevelOf[] {
  const kinds = Object.entries(KIND_OF) as [ClaimedGroup, LevelKind][];
  const groupOf = new Map(kinds.map(([group, kind]) => [kind, group]));
  const fates = unions.map(({ alive, method, groups }, i): KnownFate => {
    const levels: Partial<Record<LevelKind, readonly string[]>> = {};
    for (const [group, kind] of kinds) if (groups[group]) levels[kind] = [groups[group]];
    return { unionId: String(i), workshopId: groups.workshop ?? '', method: method ?? '', dead: !alive, levels };
  });
  return sharedFactors(fates)
    .filter(({ named }) => named)
    .map(({ kind, level }) => ({ group: groupOf.get(kind)!, level }));
}

/** Finds the twins of a level; a person never stands without the home that most of its unions stand in. */
function twinFinder(unions: readonly ClaimedUnion[]): (level: LevelOf) => LevelOf[] {
  const levels = levelsOf(
    unions.map(({ groups }) => groups),
    CLAIMED_GROUPS,
  );
  const same = sameUnions(levels);
  const placeOf = new Map(levels.map((each, i) => [`${each.group} ${each.level}`, i]));
  return ({ group, level }) => {
    const place = placeOf.get(`${group} ${level}`)!;
    const { twins } = same(place);
    const home = group === 'grafter' ? homeOf(levels[place]!, unions) : null;
    const isTold = twins.some((at) => levels[at]!.group === 'home' && levels[at]!.level === home);
    return [
      ...twins.map((at) => ({ group: levels[at]!.group, level: levels[at]!.level })),
      ...(home === null || isTold ? [] : [{ group: 'home', level: home }]),
    ];
  };
}

/** The home in which most of some unions stand; null where none stands in any. */
function homeOf({ members }: Membership, unions: readonly ClaimedUnion[]): string | null {
  const counts = new Map<string, number>();
  for (const at of members) {
    const { home } = unions[at]!.groups;
    if (home) counts.set(home, (counts.get(home) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
