import { seededRandom } from '../../chance/seeded-random';
import { quantile } from '../../statistics/quantile';
import { groupedBy } from '../../units/grouped-by';
import type { SeenBetween } from './innermost-intervals';
import { turnbull } from './turnbull';

/** A plant, and the grower whose plants are drawn again together. */
export interface GrownBetween extends SeenBetween {
  grower: string;
}

/** Survival after each of some days: 90 % of the bootstrap's fits lie between. */
export interface SurvivalBand {
  day: number;
  low: number;
  high: number;
}

const FITS = 500;
/** Fits of a bootstrap are not asked to the last digit. */
const TOLERANCE = 1e-4;

/**
 * Bands of survival by bootstrap over growers: whose plants stand in one garden do not die independently.
 *
 * @param days at which survival is asked
 * @param seed so that the same facts give the same bands
 * @param onFit told after each fit, of how many
 */
export function survivalBands(
  plants: readonly GrownBetween[],
  days: readonly number[],
  seed: number,
  onFit: (fits: number, all: number) => void = () => {},
): SurvivalBand[] {
  if (plants.length === 0) throw new RangeError('No plant was seen.');
  const growers = [...groupedBy(plants, ({ grower }) => grower).values()];
  const random = seededRandom(seed);
  const drawn: number[][] = days.map(() => []);
  for (let fit = 0; fit < FITS; fit++) {
    const sample = growers.flatMap(() => growers[Math.floor(random() * growers.length)]!);
    const { steps } = turnbull(sample, TOLERANCE);
    days.forEach((day, i) => {
      const last = steps.findLast(({ to }) => to !== null && to <= day);
      drawn[i]!.push(last ? last.survivalAfter : 1);
    });
    onFit(fit + 1, FITS);
  }
  return days.map((day, i) => {
    const rising = drawn[i]!.sort((a, b) => a - b);
    return { day, low: quantile(rising, 0.05)!, high: quantile(rising, 0.95)! };
  });
}
