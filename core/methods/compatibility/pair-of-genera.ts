import { kindOf, kinOf } from './compatibility';

/** Kin whose kinds here are of one genus each; of the others every kind is a genus of its own. */
const ONE_GENUS = ['stone', 'citrus', 'hickory'];

/**
 * Whether stock and scion are of one species or of two genera; null where they are of one genus, and where a kind is not
 * known here.
 *
 * @example pairOfGenera('quince', 'pear') // 'cross-genus'
 */
export function pairOfGenera(stock: string, scion: string): 'same-species' | 'cross-genus' | null {
  if (kindOf(stock) === kindOf(scion)) return 'same-species';
  const [below, above] = [kinOf(stock), kinOf(scion)];
  if (below === null || above === null) return null;
  return below === above && ONE_GENUS.includes(below) ? null : 'cross-genus';
}
