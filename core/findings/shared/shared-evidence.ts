import type { Gathered } from '../causes/evidence/facts-of-union';
import { sameUnions } from './same-unions';
import type { KnownFate, LevelCounts, LevelKind } from './shared-factors';

/** From these factors on a level is evidence of a death in it, and strong evidence. */
const EVIDENCE_FROM = 10;
const STRONG_FROM = 100;
/** Kinds that the tables hold evidence of by itself. */
const NO_EVIDENCE: readonly LevelKind[] = ['pair', 'tie'];
/** Others of a lot that have to be known before it is said that most of them live. */
const MATES = 3;

/** How many died in each level of a workshop, and which levels hold the same unions. */
export interface CountedLevels {
  countsOf: ReadonlyMap<string, LevelCounts>;
  /** Keys of the levels that cannot be told from a level. */
  twinsOf: ReadonlyMap<string, ReadonlySet<string>>;
}

export function countedLevels(counts: readonly LevelCounts[]): CountedLevels {
  const same = sameUnions(counts.map(({ kind, level, members }) => ({ group: kind, level, members })));
  return {
    countsOf: new Map(counts.map((level) => [levelKey(level), level])),
    twinsOf: new Map(
      counts.map((level, i) => [levelKey(level), new Set(same(i).twins.map((at) => levelKey(counts[at]!)))]),
    ),
  };
}

/**
 * What a death shares with others, as evidence: its levels in which clearly more died than beside them, and whether most
 * others of its wood lot live. Levels that hold the same unions are one piece of evidence, of which the strongest speaks.
 *
 * @param counted levels of its workshop
 * @param at the union's place in the list that was counted
 */
export function sharedEvidence(
  fates: readonly KnownFate[],
  { countsOf, twinsOf }: CountedLevels,
  at: number,
): Gathered[] {
  const { levels, dead } = fates[at]!;
  const strong: LevelCounts[] = [];
  for (const [kind, own] of Object.entries(levels) as [LevelKind, readonly string[]][]) {
    if (NO_EVIDENCE.includes(kind)) continue;
    const strongest = own
      .flatMap((level) => countsOf.get(levelKey({ kind, level })) ?? [])
      .reduce<LevelCounts | null>((best, next) => (!best || next.factor > best.factor ? next : best), null);
    if (strongest && strongest.factor >= EVIDENCE_FROM) strong.push(strongest);
  }
  const speaking: LevelCounts[] = [];
  for (const level of [...strong].sort((a, b) => b.factor - a.factor))
    if (!speaking.some((other) => twinsOf.get(levelKey(other))?.has(levelKey(level)))) speaking.push(level);
  const found = speaking.map((level): Gathered => ({
    code: level.factor >= STRONG_FROM ? `shared-${level.kind}-strong` : `shared-${level.kind}`,
    from: countsWords(level),
  }));
  const lot = countsOf.get(levelKey({ kind: 'wood-lot', level: levels['wood-lot']?.[0] ?? '' }));
  if (lot && dead) {
    const [mates, living] = [lot.all - 1, lot.all - lot.dead];
    if (mates >= MATES && living * 2 > mates)
      found.push({ code: 'lot-mates-live', from: `${living} of ${mates} others of its lot live` });
  }
  return found;
}

/** How levels are found again. */
export function levelKey({ kind, level }: { kind: LevelKind; level: string }): string {
  return `${kind} ${level}`;
}

/** "9 of 10 from here died, 6 of 44 beside it" */
export function countsWords({
  dead,
  all,
  deadBeside,
  allBeside,
}: Pick<LevelCounts, 'dead' | 'all' | 'deadBeside' | 'allBeside'>): string {
  return `${dead} of ${all} died, ${deadBeside} of ${allBeside} beside it`;
}
