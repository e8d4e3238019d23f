import type { LengthUnit } from '../../units/length';
import type { BuyLine, Store } from './kit';

/** A foot in metres: by definition. */
const FOOT = 0.3048;

/** In which tape and film are counted: kept in metres, read and typed in feet by whoever reads inches. */
export type KitLength = 'm' | 'ft';

/**
 * A line of the kit as its reader counts it.
 * @example readKitLine(line, 'in') // 3.048 m of tape at 1.00 a metre become 10 ft at 0.3048 a foot
 */
export function readKitLine(line: BuyLine, unit: LengthUnit): BuyLine {
  if (line.unit !== 'm' || unit === 'mm') return line;
  return {
    ...line,
    unit: 'ft' satisfies KitLength,
    each: line.each === null ? null : line.each / FOOT,
    total: line.total / FOOT,
    inStore: line.inStore / FOOT,
    buy: line.buy / FOOT,
    price: line.price === null ? null : line.price * FOOT,
  };
}

/** An amount as it is kept, from the unit it was typed in. */
export const keptAmount = (amount: number, unit: KitLength): number => (unit === 'ft' ? amount * FOOT : amount);

/** What is in store as it is kept, from the unit it was typed in. */
export function keptStore({ inStore, price }: Store, unit: KitLength): Store {
  if (unit === 'm') return { inStore, price };
  return { inStore: inStore * FOOT, price: price === null ? null : price / FOOT };
}
