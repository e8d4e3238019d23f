import { mixedModel } from '@/core/findings/mixed/mixed-model';
import { aliveIn, modelCommand, numberIn } from './model-command';

/*
 * npm run -s mixed -- FILE.csv
 * Reads alive, and if it has them method and score; every other column is a group. Prints the mixed logistic model as JSON:
 * {fixed: {name: {estimate, se}}, sd: {group: sd}, random: {group: {level: estimate}}, loglik, notes}.
 */
modelCommand({
  name: 'mixed',
  needs: ['alive'],
  answer: ({ columns, rows }) => {
    const groups = columns.filter((column) => !['alive', 'method', 'score'].includes(column));
    const scored = columns.includes('score');
    const fit = mixedModel(
      rows.map((row, at) => ({
        alive: aliveIn(row, at),
        method: columns.includes('method') ? methodIn(row, at) : null,
        score: scored ? numberIn(row, 'score', at) : null,
        groups: Object.fromEntries(groups.map((group) => [group, (row[group] ?? '').trim() || null])),
      })),
    );
    return {
      fixed: Object.fromEntries(
        fit.fixed.map(({ name, estimate, standardError }) => [name, { estimate, se: standardError }]),
      ),
      sd: Object.fromEntries(fit.spreads.map(({ group, spread }) => [group, spread])),
      random: Object.fromEntries(
        Object.entries(fit.levels).map(([group, levels]) => [
          group,
          Object.fromEntries(levels.map(({ level, estimate }) => [level, estimate])),
        ]),
      ),
      loglik: fit.logLikelihood,
      notes: fit.notes,
    };
  },
});

function methodIn(row: Record<string, string>, at: number): string {
  const method = (row.method ?? '').trim();
  if (method === '') throw new RangeError(`Row ${at + 1}: method is empty.`);
  return method;
}
