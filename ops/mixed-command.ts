import { answersMissing } from '@/core/findings/facts/answers-missing';
import { adjustedDesign } from '@/core/findings/mixed/adjusted-design';
import { adjustedFit, adjustedTerms } from '@/core/findings/mixed/adjusted-model';
import { checkUnions } from '@/core/findings/mixed/mixed-design';
import { mixedModel } from '@/core/findings/mixed/mixed-model';
import type { CsvRows } from './csv-rows';
import { aliveIn, modelCommand, numberIn } from './model-command';
import { methodIn, unionRows } from './union-rows';

/*
 * npm run -s mixed -- FILE.csv [--prior [--points]]
 * Reads alive, and if it has them method and score; every other column is a group. Prints the mixed logistic model as JSON:
 * {fixed: {name: {estimate, se}}, sd: {group: sd}, random: {group: {level: estimate}}, loglik, notes}.
 * With --prior the standard deviations have the weak prior, groups are wood_lot, stock_lot, workshop and grafter alone, and
 * where the file has score and fatal, ten points are those of the same hand on the same day; with --points it weighs each
 * point:NAME instead. Prints {fixed, sd, notes}.
 */
/** Fewer are refused here; pages ask for more. */
const LEAST = { known: 20, rarer: 4 };

const flags = process.argv.slice(2).filter((word) => word.startsWith('--'));
modelCommand({
  name: 'mixed',
  needs: ['alive'],
  answer: (table) => (flags.includes('--prior') ? withPrior(table) : withoutPrior(table)),
});

function withPrior(table: CsvRows): unknown {
  const points = flags.includes('--points');
  const scored = !points && table.columns.includes('score') && table.columns.includes('fatal');
  const unions = unionRows(table).filter(({ score, fatal }) => !scored || (score !== null && fatal !== null));
  checkEnough(unions);
  const design = adjustedDesign(unions, points ? 'points' : scored ? 'score' : 'nothing');
  const { fixed, spreads } = adjustedTerms(adjustedFit(design));
  return { ...printed({ fixed, spreads }), notes: design.notes };
}

function printed({ fixed, spreads }: ReturnType<typeof adjustedTerms>): Record<'fixed' | 'sd', object> {
  return {
    fixed: Object.fromEntries(
      fixed.map(({ name, estimate, standardError }) => [name, { estimate, se: standardError }]),
    ),
    sd: Object.fromEntries(spreads.map(({ group, spread }) => [group, spread])),
  };
}

/** @throws RangeError where coefficients of so few would say nothing */
function checkEnough(unions: readonly { alive: boolean }[]): void {
  const alive = unions.filter((union) => union.alive).length;
  const dead = unions.length - alive;
  // All of one fate is refused by the model itself, in its own words.
  const missing = unions.length === 0 || alive * dead === 0 ? 0 : answersMissing({ alive, dead }, LEAST);
  if (missing > 0)
    throw new RangeError(
      `${unions.length} unions with a known fate (${alive} live, ${dead} died) are too few to compare: about ${missing} more would do.`,
    );
}

function withoutPrior({ columns, rows }: CsvRows): unknown {
  const groups = columns.filter((column) => !['alive', 'method', 'score'].includes(column));
  const scored = columns.includes('score');
  const unions = rows.map((row, at) => ({
    alive: aliveIn(row, at),
    method: columns.includes('method') ? methodIn(row, at) : null,
    score: scored ? numberIn(row, 'score', at) : null,
    groups: Object.fromEntries(groups.map((group) => [group, (row[group] ?? '').trim() || null])),
  }));
  checkUnions(unions);
  checkEnough(unions);
  const fit = mixedModel(unions);
  return {
    ...printed(fit),
    random: Object.fromEntries(
      Object.entries(fit.levels).map(([group, levels]) => [
        group,
        Object.fromEntries(levels.map(({ level, estimate }) => [level, estimate])),
      ]),
    ),
    loglik: fit.logLikelihood,
    notes: fit.notes,
  };
}
