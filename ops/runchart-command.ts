import { runChart } from '@/core/findings/years/run-chart';
import { modelCommand, numberIn } from './model-command';

/*
 * npm run -s runchart -- FILE.csv
 * Reads n and alive, a workshop or year a row, and prints as JSON the rate, the centre and the exact limits of each.
 */
modelCommand({
  name: 'runchart',
  needs: ['n', 'alive'],
  answer: ({ rows }) =>
    runChart(rows.map((row, at) => ({ n: numberIn(row, 'n', at), alive: numberIn(row, 'alive', at) }))),
});
