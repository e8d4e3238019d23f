import type { ScoreAndFate } from './score-and-fate';

export interface CStatistic {
  /** How often the one that lived had the higher score, of a living and a dead one; ties count half. */
  c: number;
  /** Null where one died or one lived only: a spread needs two of each. */
  standardError: number | null;
}

/**
 * C statistic (area under the ROC curve) with DeLong's standard error, by midranks.
 * Source: E. R. DeLong, D. M. DeLong, D. L. Clarke-Pearson, Biometrics 44 (1988); X. Sun, W. Xu, IEEE Signal
 * Processing Letters 21 (2014) for the ranks.
 *
 * @throws RangeError when all lived or all died
 */
export function cStatistic(known: readonly ScoreAndFate[]): CStatistic {
  const living = known.filter(({ alive }) => alive).map(({ score }) => score);
  const dead = known.filter(({ alive }) => !alive).map(({ score }) => score);
  if (living.length === 0 || dead.length === 0) throw new RangeError('It takes some that lived and some that died.');
  const all = midranks([...living, ...dead]);
  const [ownLiving, ownDead] = [midranks(living), midranks(dead)];
  // How often each beats those of the other fate.
  const beaten = living.map((_, i) => (all[i]! - ownLiving[i]!) / dead.length);
  const beating = dead.map((_, i) => 1 - (all[living.length + i]! - ownDead[i]!) / living.length);
  const c = mean(beaten);
  if (living.length < 2 || dead.length < 2) return { c, standardError: null };
  return { c, standardError: Math.sqrt(variance(beaten) / living.length + variance(beating) / dead.length) };
}

/** Ranks from 1, equal values sharing the mean of theirs. */
function midranks(values: readonly number[]): number[] {
  const order = values.map((_, i) => i).sort((a, b) => values[a]! - values[b]!);
  const ranks = new Array<number>(values.length);
  for (let i = 0; i < order.length;) {
    let end = i;
    while (end + 1 < order.length && values[order[end + 1]!] === values[order[i]!]) end++;
    for (let k = i; k <= end; k++) ranks[order[k]!] = (i + end) / 2 + 1;
    i = end + 1;
  }
  return ranks;
}

const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length;

function variance(list: readonly number[]): number {
  const middle = mean(list);
  return list.reduce((sum, x) => sum + (x - middle) ** 2, 0) / (list.length - 1);
}
