import type { Gathered } from '../causes/evidence/facts-of-union';
import type { KnownFate, LevelCounts, LevelKind } from './shared-factors';

/** From these factors on a level is evidence of a death in it, and strong evidence. */
const EVIDENCE_FROM = 10;
const STRONG_FROM = 100;
/** Kinds that the tables hold evidence of by itself. */
const NO_EVIDENCE: readonly LevelKind[] = ['pair', 'tie'];
/** Others of a lot that have to be known before it is said that most of them live. */
const MATES = 3;

/**
 * What a death shares with others, as evidence: its levels in which clearly more died than beside them, and whether most
 * others of its wood lot live.
 *
 * @param counts of its workshop (levelCounts)
 * @param at the union's place in the list that was counted
 */
export function sharedEvidence(
  fates: readonly KnownFate[],
  countsOf: ReadonlyMap<string, LevelCounts>,
  at: number,
): Gathered[] {
  const { levels, dead } = fates[at]!;
  const found: Gathered[] = [];
  for (const [kind, own] of Object.entries(levels) as [LevelKind, readonly string[]][]) {
    if (NO_EVIDENCE.includes(kind)) continue;
    const strongest = own
      .flatMap((level) => countsOf.get(levelKey({ kind, level })) ?? [])
      .reduce<LevelCounts | null>((best, next) => (!best || next.factor > best.factor ? next : best), null);
    if (strongest && strongest.factor >= EVIDENCE_FROM)
      found.push({
        code: strongest.factor >= STRONG_FROM ? `shared-${kind}-strong` : `shared-${kind}`,
        from: countsWords(strongest),
      });
  }
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
}: Omit<LevelCounts, 'kind' | 'level' | 'factor' | 'members'>): string {
  return `${dead} of ${all} died, ${deadBeside} of ${allBeside} beside it`;
}
