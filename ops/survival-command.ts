import { deadOfBy, incidenceByCause } from '@/core/findings/survival/incidence-by-cause';
import { turnbull } from '@/core/findings/survival/turnbull';
import type { CsvRows } from './csv-rows';
import { modelCommand, numberIn } from './model-command';

/*
 * npm run -s survival -- FILE.csv [--by-cause]
 * Reads left (last day seen alive) and right (day seen dead, empty for never), a plant a row, and prints Turnbull's
 * estimate as JSON: [{from, to, survival_after}]. With --by-cause it also reads cause and prints what share is dead of each
 * by each day of a visit, null where that cannot be told: [{day, cause, dead_of_it}], at the end the log-likelihood.
 */
const byCause = process.argv.includes('--by-cause');
modelCommand({
  name: 'survival',
  needs: ['left', 'right', ...(byCause ? ['cause'] : [])],
  answer: (table) =>
    byCause
      ? incidences(table)
      : turnbull(table.rows.map(seenBetween)).steps.map(({ from, to, survivalAfter }) => ({
          from,
          to,
          survival_after: survivalAfter,
        })),
});

function seenBetween(row: Record<string, string>, at: number): { left: number; right: number | null } {
  return {
    left: numberIn(row, 'left', at),
    right: (row.right ?? '').trim() === '' ? null : numberIn(row, 'right', at),
  };
}

function incidences({ rows }: CsvRows): unknown {
  const seen = rows.map((row, at) => {
    const { left, right } = seenBetween(row, at);
    const cause = (row.cause ?? '').trim();
    if (right === null && cause !== '')
      throw new RangeError(`Row ${at + 1}: a plant that was never seen dead has no cause; leave it empty.`);
    return { left, right, cause: right === null ? null : cause || 'not known' };
  });
  const fit = incidenceByCause(seen);
  const days = [...new Set(seen.flatMap(({ left, right }) => [left, right ?? 0]))]
    .filter((day) => day > 0)
    .sort((a, b) => a - b);
  return [
    ...days.flatMap((day) => fit.causes.map((cause) => ({ day, cause, dead_of_it: deadOfBy(fit, cause, day) }))),
    { day: 'loglik', dead_of_it: fit.logLikelihood },
  ];
}
