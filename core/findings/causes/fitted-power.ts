/** A death whose cause a person settled: the shares that were computed of it, and the place of the settled one among them. */
export interface SettledDeath {
  shares: readonly number[];
  settled: number;
}

/** What is believed of the power before anybody settled a cause blind: guessed strengths are too sure of themselves. */
export const POWER_BEFORE = { mean: 0.7, spread: 0.2 } as const;

const [LEAST, MOST, STEPS] = [0.1, 4, 60] as const;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * The power that shares are raised to (and made to add up to 1 again) so that what is said with 80 % is right in 80 %: the
 * likeliest given causes that people settled before they saw the shares, and a normal prior. Below 1 the tables were too
 * sure of themselves. Null while none was settled so. Golden section over 0.1 to 4; the posterior has a single peak.
 *
 * @example fittedPower(deaths) // 0.83
 */
export function fittedPower(deaths: readonly SettledDeath[]): number | null {
  if (deaths.length === 0) return null;
  const logs = deaths.map(({ shares, settled }) => ({
    logs: shares.map((share) => Math.log(Math.max(share, 1e-300))),
    settled,
  }));
  const posterior = (power: number): number =>
    logs.reduce(
      (sum, death) => {
        const most = Math.max(...death.logs) * power;
        const all = death.logs.reduce((total, log) => total + Math.exp(log * power - most), 0);
        return sum + death.logs[death.settled]! * power - most - Math.log(all);
      },
      -(((power - POWER_BEFORE.mean) / POWER_BEFORE.spread) ** 2) / 2,
    );
  let [low, high] = [LEAST as number, MOST as number];
  for (let step = 0; step < STEPS; step++) {
    const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (posterior(left) < posterior(right)) low = left;
    else high = right;
  }
  return (low + high) / 2;
}
