import { METHODS } from './registry';
import type { StockLimits } from './use';

/** On which stocks a method is done, without the rest of it. Lengths mm. */
export interface StockRange {
  id: string;
  inSentence: string;
  stock: StockLimits;
}

/** All methods' stocks, for whoever looks for another method. */
export const STOCK_RANGES: readonly StockRange[] = METHODS.map(({ id, inSentence, use }) => ({
  id,
  inSentence,
  stock: use.stock,
}));
