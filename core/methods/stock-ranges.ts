import type { Method } from './method';
import { METHODS } from './registry';

/** On which stocks a method is done, without the rest of it. Lengths mm. */
export interface StockRange {
  id: string;
  inSentence: string;
  stock: Method['use']['stock'];
}

/** All methods' stocks, for whoever looks for another method. */
export const STOCK_RANGES: readonly StockRange[] = METHODS.map(({ id, inSentence, use }) => ({
  id,
  inSentence,
  stock: use.stock,
}));
