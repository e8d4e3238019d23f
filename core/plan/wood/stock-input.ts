import { object } from 'yup';
import { text, count } from '@/core/inputs/fields';

export const stockInput = object({
  stockType: text('the stock type', 80),
  species: text('the species', 60),
  stocks: count('the number of stocks', 0, 100_000).default(0),
});
