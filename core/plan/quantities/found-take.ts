import type { VariantId } from '../../methods/variant';

/** Fates of unions as counted of a club, of one way of making at one site. */
export interface CountedFates {
  method: string;
  variant: string;
  siteId: string;
  alive: number;
  dead: number;
}

/** For what a plan asks. */
export interface TakeWanted {
  method: string;
  variant: VariantId | null;
  siteId: string | null;
}

/** What a club's own found take is of: its narrowest part of which enough is known. */
export type FoundOf = 'variant-here' | 'variant' | 'here' | 'method';

export interface FoundTake {
  alive: number;
  dead: number;
  foundOf: FoundOf;
}

/** Fewer known fates than these say too little by themselves; then the next wider part counts. */
const ENOUGH = 20;

/**
 * A club's own take for a plan: of the same method in the same season's way at the same site, if enough is known of it;
 * else in that way anywhere, else at that site, else of the method at all.
 *
 * @example foundTake(counts, { method: 'chip', variant: 'spring', siteId }).foundOf // 'variant-here'
 */
export function foundTake(counts: readonly CountedFates[], { method, variant, siteId }: TakeWanted): FoundTake {
  const own = counts.filter((row) => row.method === method);
  const isVariant = (row: CountedFates): boolean => row.variant === variant;
  const isHere = (row: CountedFates): boolean => row.siteId === siteId;
  const parts: [FoundOf, CountedFates[]][] = [
    ['variant-here', own.filter((row) => isVariant(row) && isHere(row))],
    ['variant', own.filter(isVariant)],
    ['here', own.filter(isHere)],
  ];
  for (const [foundOf, rows] of parts) {
    const sum = summed(rows);
    if (sum.alive + sum.dead >= ENOUGH) return { ...sum, foundOf };
  }
  return { ...summed(own), foundOf: 'method' };
}

function summed(rows: readonly CountedFates[]): { alive: number; dead: number } {
  return {
    alive: rows.reduce((sum, { alive }) => sum + alive, 0),
    dead: rows.reduce((sum, { dead }) => sum + dead, 0),
  };
}
