/** How many died and live inside a group and beside it, within one stratum. */
export interface Stratum {
  deadInside: number;
  aliveInside: number;
  deadBeside: number;
  aliveBeside: number;
}

export interface StratifiedExcess {
  /** Strata with somebody inside and beside, and with both fates. */
  speaking: number;
  /** How many would have died inside, were the group like what lies beside it, stratum by stratum. */
  expectedDead: number;
  /** Chance that so many or more die inside when the group is like the rest. */
  p: number;
  /** How much likelier the counts are where the group has odds of its own, of a middling size; 1 where it has not more dead. */
  factor: number;
}

/** Odds ratios, as logarithms, that a group of its own may have: all alike likely. */
const LOG_ODDS = Array.from({ length: 40 }, (_, i) => (i + 1) / 10);

/**
 * Whether more died inside a group than beside it, never adding up counts of several strata: with all margins fixed, the
 * dead inside of each stratum are hypergeometric, and their sum is had by convolution. The factor is the mean, over odds
 * ratios exp(0.1) to exp(4.0), of the likelihood (Fisher's noncentral hypergeometric) over that at 1.
 * Source: C. R. Mehta, N. R. Patel, R. Gray, "Computing an exact confidence interval for the common odds ratio in several
 * 2 x 2 contingency tables", Journal of the American Statistical Association 80 (1985).
 *
 * @throws RangeError for a count that is no whole number from 0 on
 * @example stratifiedExcess([{ deadInside: 2, aliveInside: 0, deadBeside: 0, aliveBeside: 2 }]).p // 1/6
 */
export function stratifiedExcess(strata: readonly Stratum[]): StratifiedExcess {
  const speaking = strata.filter(speaks);
  let [dead, expectedDead] = [0, 0];
  for (const { deadInside, aliveInside, deadBeside, aliveBeside } of speaking) {
    const inside = deadInside + aliveInside;
    dead += deadInside;
    expectedDead += (inside * (deadInside + deadBeside)) / (inside + deadBeside + aliveBeside);
  }
  if (speaking.length === 0) return { speaking: 0, expectedDead: 0, p: 1, factor: 1 };
  const parts = speaking.map(hypergeometric);
  const p = Math.min(1, tailOf(parts, dead));
  // Sums of fractions are off by their last digits.
  if (dead <= expectedDead + 1e-9) return { speaking: speaking.length, expectedDead, p, factor: 1 };
  return { speaking: speaking.length, expectedDead, p, factor: factorOf(parts, dead) };
}

function speaks({ deadInside, aliveInside, deadBeside, aliveBeside }: Stratum): boolean {
  for (const count of [deadInside, aliveInside, deadBeside, aliveBeside])
    if (!(Number.isInteger(count) && count >= 0))
      throw new RangeError(`Counts of dead and living are whole numbers from 0 on, not ${count}.`);
  return (
    deadInside + aliveInside > 0 &&
    deadBeside + aliveBeside > 0 &&
    deadInside + deadBeside > 0 &&
    aliveInside + aliveBeside > 0
  );
}

/** How likely each number of dead inside is, from the least that the margins allow. */
interface Distribution {
  from: number;
  chances: Float64Array;
}

function hypergeometric({ deadInside, aliveInside, deadBeside, aliveBeside }: Stratum): Distribution {
  const inside = deadInside + aliveInside;
  const dead = deadInside + deadBeside;
  const alive = aliveInside + aliveBeside;
  const from = Math.max(0, inside - alive);
  const to = Math.min(inside, dead);
  const chances = new Float64Array(to - from + 1);
  // From the likeliest number outward by ratios, so that nothing overflows.
  const likeliest = Math.min(to, Math.max(from, Math.floor(((inside + 1) * (dead + 1)) / (dead + alive + 2))));
  const ratio = (k: number): number => ((dead - k) * (inside - k)) / ((k + 1) * (alive - inside + k + 1));
  chances[likeliest - from] = 1;
  let total = 1;
  for (let k = likeliest; k < to; k++) total += chances[k + 1 - from] = chances[k - from]! * ratio(k);
  for (let k = likeliest - 1; k >= from; k--) total += chances[k - from] = chances[k + 1 - from]! / ratio(k);
  for (let i = 0; i < chances.length; i++) chances[i] = chances[i]! / total;
  return { from, chances };
}

/** Chance that the sum of all is at least some number. */
function tailOf(parts: readonly Distribution[], least: number): number {
  let sum: Distribution = { from: 0, chances: Float64Array.of(1) };
  for (const { from, chances } of parts) {
    const both = new Float64Array(sum.chances.length + chances.length - 1);
    for (let i = 0; i < sum.chances.length; i++) {
      const own = sum.chances[i]!;
      if (own === 0) continue;
      for (let j = 0; j < chances.length; j++) both[i + j] = both[i + j]! + own * chances[j]!;
    }
    sum = { from: sum.from + from, chances: both };
  }
  let tail = 0;
  // The least likely first, so that small ones are not lost.
  for (let k = sum.chances.length - 1; k >= Math.max(0, least - sum.from); k--) tail += sum.chances[k]!;
  return tail;
}

function factorOf(parts: readonly Distribution[], dead: number): number {
  let mean = 0;
  for (const odds of LOG_ODDS) {
    let log = odds * dead;
    for (const { from, chances } of parts) {
      // Around the largest exponent, so that none overflows.
      const largest = odds * (from + chances.length - 1);
      let sum = 0;
      for (let i = 0; i < chances.length; i++) sum += chances[i]! * Math.exp(odds * (from + i) - largest);
      log -= largest + Math.log(sum);
    }
    mean += Math.exp(log) / LOG_ODDS.length;
  }
  return mean;
}
