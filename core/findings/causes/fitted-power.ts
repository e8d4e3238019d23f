/** Fewer settled causes than this fit nothing. */
export const SETTLED_TO_FIT = 100;

/** A death whose cause a person settled: the shares that were computed of it, and the place of the settled one among them. */
export interface SettledDeath {
  shares: readonly number[];
  settled: number;
}

const [LEAST, MOST, STEPS] = [0.1, 4, 60] as const;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * The power that shares are raised to (and made to add up to 1 again) so that what is said with 80 % is right in 80 %:
 * the one under which the settled causes are likeliest. Below 1 the tables were too sure of themselves.
 * Null while fewer than 100 causes are settled. Golden section over 0.1 to 4; the likelihood has a single peak.
 *
 * @example fittedPower(deaths) // 0.83
 */
export function fittedPower(deaths: readonly SettledDeath[]): number | null {
  if (deaths.length < SETTLED_TO_FIT) return null;
  const logs = deaths.map(({ shares, settled }) => ({
    logs: shares.map((share) => Math.log(Math.max(share, 1e-300))),
    settled,
  }));
  const likelihood = (power: number): number =>
    logs.reduce((sum, death) => {
      const most = Math.max(...death.logs) * power;
      const all = death.logs.reduce((total, log) => total + Math.exp(log * power - most), 0);
      return sum + death.logs[death.settled]! * power - most - Math.log(all);
    }, 0);
  let [low, high] = [LEAST as number, MOST as number];
  for (let step = 0; step < STEPS; step++) {
    const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (likelihood(left) < likelihood(right)) low = left;
    else high = right;
  }
  return (low + high) / 2;
}
