import { claimsOf } from '@/core/findings/claims/claims';
import { modelCommand } from './model-command';
import { unionRows } from './union-rows';

/*
 * npm run -s claims -- FILE.csv
 * Reads alive and, where the file has them, method, score, fatal, workshop, grafter, wood_lot, stock_lot, home, material and
 * a column point:NAME a point, and prints as JSON what pages would say of these unions.
 */
modelCommand({ name: 'claims', needs: ['alive'], answer: (table) => claimsOf(unionRows(table)) });
