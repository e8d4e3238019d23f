import type { VariantId } from '../../methods/use';
import { groupedBy } from '../../units/grouped-by';
import type { WorkshopTake } from './new-workshop-take';

/** Fates of unions as counted of a club, of one way of making at one site with one kind of wood. */
export interface CountedFates {
  workshopId: string;
  method: string;
  variant: string;
  siteId: string;
  /** The same for lots of one variety from one source; null where the lot is not sure. */
  wood: string | null;
  alive: number;
  dead: number;
}

/** For what a plan asks. */
export interface TakeWanted {
  method: string;
  variant: VariantId | null;
  siteId: string | null;
  /** The wood that was chosen. */
  woods: readonly string[];
  /** The workshop that is planned: its own keepers do not foretell themselves. */
  workshopId: string | null;
}

/** What a club's own found take is of: its narrowest part of which enough is known. */
export type FoundOf = 'wood' | 'variant-here' | 'variant' | 'here' | 'method';

export interface FoundTake {
  alive: number;
  dead: number;
  foundOf: FoundOf;
  /** The same, workshop by workshop. */
  workshops: WorkshopTake[];
}

/** Fewer known fates than these say too little by themselves; then the next wider part counts. */
const ENOUGH = 20;

/**
 * A club's own take for a plan: of the same method in the same season's way with wood as it was chosen, if enough is known
 * of it; else of that way at the same site, else in that way anywhere, else at that site, else of the method at all.
 *
 * @example foundTake(counts, { method: 'chip', variant: 'spring', siteId, … }).foundOf // 'variant-here'
 */
export function foundTake(
  counts: readonly CountedFates[],
  { method, variant, siteId, woods, workshopId }: TakeWanted,
): FoundTake {
  const own = counts.filter((row) => row.method === method && row.workshopId !== workshopId);
  const isVariant = (row: CountedFates): boolean => row.variant === variant;
  const isHere = (row: CountedFates): boolean => row.siteId === siteId;
  const isWood = (row: CountedFates): boolean => row.wood !== null && woods.includes(row.wood);
  const parts: [FoundOf, CountedFates[]][] = [
    ['wood', own.filter((row) => isVariant(row) && isWood(row))],
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

function summed(rows: readonly CountedFates[]): Omit<FoundTake, 'foundOf'> {
  const workshops = [...groupedBy(rows, ({ workshopId }) => workshopId).values()]
    .map((own): WorkshopTake => {
      const alive = own.reduce((sum, row) => sum + row.alive, 0);
      return { alive, known: alive + own.reduce((sum, { dead }) => sum + dead, 0) };
    })
    .filter(({ known }) => known > 0);
  const alive = workshops.reduce((sum, workshop) => sum + workshop.alive, 0);
  return { alive, dead: workshops.reduce((sum, { known }) => sum + known, 0) - alive, workshops };
}
