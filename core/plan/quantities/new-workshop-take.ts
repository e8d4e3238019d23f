import { logistic } from '../../statistics/logistic';

/** Alive of known in an earlier workshop. */
export interface WorkshopTake {
  alive: number;
  known: number;
}

/** What is believed of the take of a new workshop: chances over log odds, which add up to 1. */
export interface NewWorkshopTake {
  logOdds: Float64Array;
  chances: Float64Array;
  /** Earlier workshops that it rests on. */
  workshops: number;
  /** Their unions with a known fate. */
  known: number;
}

/** The mean of workshops is anything between these log odds, all alike likely. */
const MEAN = { from: -4, to: 6, step: 0.05 };
/** Their spread has a gamma prior of shape 2 and rate 2, looked at from near 0 to 6, in even steps of its logarithm. */
const SPREAD = { from: 0.03, to: 6, step: 0.16 };
const REACH = 5;
const LOWEST = MEAN.from - REACH * SPREAD.to;
const STEP = 0.05;
const FINEST = 0.005;

/**
 * The predictive take of a new workshop: its log odds are normal around a mean with a spread between workshops, both
 * integrated over given the known fates of each earlier one. Years weigh alike. With one or two workshops the prior speaks.
 * Source: A. Gelman, "Prior distributions for variance parameters in hierarchical models", Bayesian Analysis 1 (2006).
 *
 * @throws RangeError for counts that are no whole numbers, or more alive than known
 * @example takeQuantile(newWorkshopTake([{ alive: 26, known: 30 }, { alive: 21, known: 28 }]), 0.05)
 */
export function newWorkshopTake(history: readonly WorkshopTake[]): NewWorkshopTake {
  for (const { alive, known } of history)
    if (!(Number.isInteger(alive) && Number.isInteger(known) && alive >= 0 && alive <= known))
      throw new RangeError(`Of an earlier workshop whole numbers are told, alive of known, not ${alive}/${known}.`);
  const seen = history.filter(({ known }) => known > 0);
  const means = range(MEAN.from, MEAN.to, MEAN.step);
  const spreads = range(Math.log(SPREAD.from), Math.log(SPREAD.to), SPREAD.step).map(Math.exp);
  const step = stepFor(seen);
  const rows = tally(seen).map((counts) => chanceRow(counts, step));
  const places = Math.round((MEAN.to + REACH * SPREAD.to - LOWEST) / STEP) + 1;
  const chances = new Float64Array(places);
  const logs = spreads.map((spread) => logWeights(means, spread, rows, step));
  const greatest = Math.max(...logs.map((row) => row.reduce((most, x) => Math.max(most, x), -Infinity)));
  let total = 0;
  spreads.forEach((spread, s) => {
    const around = normalAround(spread);
    means.forEach((mean, m) => {
      const weight = Math.exp(logs[s]![m]! - greatest);
      if (weight < 1e-9) return;
      total += weight;
      const from = Math.round((mean - LOWEST) / STEP) - (around.length - 1) / 2;
      for (let i = 0; i < around.length; i++) chances[from + i]! += weight * around[i]!;
    });
  });
  return {
    logOdds: Float64Array.from(chances, (_, i) => LOWEST + i * STEP),
    chances: chances.map((x) => x / total),
    workshops: seen.length,
    known: seen.reduce((sum, { known }) => sum + known, 0),
  };
}

function range(from: number, to: number, step: number): number[] {
  return Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step);
}

/** Steps over log odds as fine as the workshop that is known best asks for. */
function stepFor(history: readonly WorkshopTake[]): number {
  const narrowest = history.reduce((least, { alive, known }) => {
    const share = (alive + 0.5) / (known + 1);
    return Math.min(least, 1 / Math.sqrt((known + 1) * share * (1 - share)));
  }, Infinity);
  return STEP / Math.ceil(STEP / Math.max(FINEST, Math.min(STEP, narrowest / 1.5)));
}

/** Workshops of the same counts, together. */
function tally(history: readonly WorkshopTake[]): (WorkshopTake & { times: number })[] {
  const counts = new Map<string, WorkshopTake & { times: number }>();
  for (const { alive, known } of history) {
    const own = counts.get(`${alive}/${known}`) ?? { alive, known, times: 0 };
    counts.set(`${alive}/${known}`, { ...own, times: own.times + 1 });
  }
  return [...counts.values()];
}

/** How likely a workshop's counts are at each log odds of a fine row, against the likeliest. */
interface ChanceRow {
  row: Float64Array;
  peak: number;
  times: number;
}

function chanceRow({ alive, known, times }: WorkshopTake & { times: number }, step: number): ChanceRow {
  const peak = logChance(alive, known, Math.log((alive + 0.5) / (known - alive + 0.5)));
  const length = Math.round((MEAN.to - MEAN.from + 2 * REACH * SPREAD.to) / step) + 1;
  const row = Float64Array.from({ length }, (_, i) => Math.exp(logChance(alive, known, LOWEST + i * step) - peak));
  return { row, peak, times };
}

/** Log of prior and likelihood of each mean at a spread. */
function logWeights(means: readonly number[], spread: number, history: readonly ChanceRow[], step: number): number[] {
  const reach = Math.floor((REACH * spread) / step);
  const kernel = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-((((i - reach) * step) / spread) ** 2) / 2),
  );
  const whole = kernel.reduce((sum, x) => sum + x, 0);
  // The prior of the spread, over even steps of its logarithm.
  const prior = 2 * Math.log(spread) - 2 * spread;
  return means.map((mean) => {
    const from = Math.round((mean - LOWEST) / step) - reach;
    let log = prior;
    for (const { row, peak, times } of history) {
      let sum = 0;
      for (let i = 0; i < kernel.length; i++) sum += kernel[i]! * row[from + i]!;
      log += times * (peak + Math.log(Math.max(sum / whole, 1e-300)));
    }
    return log;
  });
}

/** Log chance of the counts at some log odds, without the binomial coefficient. */
function logChance(alive: number, known: number, logOdds: number): number {
  const soft = logOdds > 0 ? logOdds + Math.log1p(Math.exp(-logOdds)) : Math.log1p(Math.exp(logOdds));
  return alive * logOdds - known * soft;
}

/** A normal of some spread in steps of log odds, its middle in the middle; one that falls between two steps is one step. */
function normalAround(spread: number): Float64Array {
  const reach = Math.floor((REACH * spread) / STEP);
  const density = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-((((i - reach) * STEP) / spread) ** 2) / 2),
  );
  const sum = density.reduce((total, x) => total + x, 0);
  return density.map((x) => x / sum);
}

/** The take below which it lies with some chance. */
export function takeQuantile({ logOdds, chances }: NewWorkshopTake, share: number): number {
  let sum = 0;
  for (let i = 0; i < chances.length; i++) {
    const next = sum + chances[i]!;
    if (next >= share) return logistic(logOdds[i]! - STEP / 2 + (STEP * (share - sum)) / Math.max(chances[i]!, 1e-300));
    sum = next;
  }
  return 1;
}

/** The take expected on average. */
export function expectedTake({ logOdds, chances }: NewWorkshopTake): number {
  return chances.reduce((sum, chance, i) => sum + chance * logistic(logOdds[i]!), 0);
}

/** Own workshops from which on a method's usual range counts no more. */
const ENOUGH = 3;

/**
 * The workshops that a plan rests on: the club's own, and while these are fewer than three, two more of twenty grafts at the
 * ends of what is usual of the method.
 */
export function earlierWorkshops(
  own: readonly WorkshopTake[],
  { low, high, weight }: { low: number; high: number; weight: number },
): WorkshopTake[] {
  if (own.length >= ENOUGH) return [...own];
  return [...own, ...[low, high].map((share) => ({ alive: Math.round(share * weight), known: weight }))];
}
