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
const ODDS = LOG_ODDS.map(Math.exp);

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

/** Logarithm of how likely each number of dead inside is, from the least that the margins allow: far ones underflow. */
interface Distribution {
  from: number;
  logs: Float64Array;
}

function hypergeometric({ deadInside, aliveInside, deadBeside, aliveBeside }: Stratum): Distribution {
  const inside = deadInside + aliveInside;
  const dead = deadInside + deadBeside;
  const alive = aliveInside + aliveBeside;
  const from = Math.max(0, inside - alive);
  const to = Math.min(inside, dead);
  const logs = new Float64Array(to - from + 1);
  for (let k = from; k < to; k++)
    logs[k + 1 - from] = logs[k - from]! + Math.log(((dead - k) * (inside - k)) / ((k + 1) * (alive - inside + k + 1)));
  const total = logOfSum(logs, 0, from);
  return { from, logs: logs.map((log) => log - total) };
}

/** Supports up to this many numbers of dead are summed as polynomials, which take no logarithms and cannot overflow. */
const SHORT = 120;

/** Logarithms of the same sums at each odds ratio. */
function logsAtOdds({ from, logs }: Distribution): Float64Array {
  if (logs.length > SHORT) return Float64Array.from(LOG_ODDS, (odds) => logOfSum(logs, odds, from));
  const chances = logs.map(Math.exp);
  return Float64Array.from(LOG_ODDS, (odds, o) => {
    const psi = ODDS[o]!;
    let sum = 0;
    for (let i = chances.length - 1; i >= 0; i--) sum = sum * psi + chances[i]!;
    return odds * from + Math.log(sum);
  });
}

/** Logarithm of the sum of exp(logs[i] + odds (from + i)), around its largest term. */
function logOfSum(logs: Float64Array, odds: number, from: number): number {
  let largest = -Infinity;
  for (let i = 0; i < logs.length; i++) largest = Math.max(largest, logs[i]! + odds * (from + i));
  let sum = 0;
  for (let i = 0; i < logs.length; i++) sum += Math.exp(logs[i]! + odds * (from + i) - largest);
  return largest + Math.log(sum);
}

/** Chance that the sum of all is at least some number. */
function tailOf(parts: readonly Distribution[], least: number): number {
  let sum = { from: 0, chances: Float64Array.of(1) };
  for (const { from, logs } of parts) {
    const chances = logs.map(Math.exp);
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
  const logs = LOG_ODDS.map((odds) => odds * dead);
  for (const part of parts) logsAtOdds(part).forEach((log, o) => (logs[o] = logs[o]! - log));
  return logs.reduce((sum, log) => sum + Math.exp(log), 0) / logs.length;
}
