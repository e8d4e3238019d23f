import { METHODS } from '@/core/methods/registry';
import { assign } from '@/core/plan/pairing/assignment';
import { contactTable } from '@/core/plan/pairing/contact-table';
import { SLIP } from '@/core/plan/pairing/hand';
import { seededRandom } from '@/core/chance/seeded-random';

/* node --import tsx bench/pairing.ts: 300 stocks with 300 sticks, filling the table and solving apart. Solving must stay under 2 s. */

const random = seededRandom(5);
const calipers = (mean: number): number[] =>
  Array.from({ length: 300 }, () => Math.round((mean + 4 * (random() + random() - 1)) * 10) / 10);
const stocks = calipers(10.5);
const sticks = calipers(9.5);
const table = contactTable(METHODS[0]!);
let from = performance.now();
table.fill(stocks, sticks, Object.values(SLIP));
console.log(
  `table of ${table.size()} pairs of calipers for three kinds of hands filled in ${((performance.now() - from) / 1000).toFixed(2)} s`,
);
for (const [skill, slip] of Object.entries(SLIP)) {
  const worth = stocks.map((stock) => sticks.map((stick) => table.at(stock, stick, slip)));
  from = performance.now();
  const columns = assign(worth);
  const solved = performance.now() - from;
  const sum = columns.reduce((total, column, row) => total + worth[row]![column]!, 0);
  const order = worth.reduce((total, row, i) => total + row[i]!, 0);
  console.log(
    `${skill}: 300 by 300 solved in ${(solved / 1000).toFixed(3)} s, mean contact ${(sum / 300).toFixed(3)} against ${(order / 300).toFixed(3)} in the order they lie`,
  );
}
