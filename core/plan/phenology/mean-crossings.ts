import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';
import { celsius, prose } from '../../units/prose';
import type { AssumptionById } from './assumptions';
import type { Estimate } from './estimate';

/**
 * Leaf fall of the autumn before: when the days turn cold, and at the latest some time after the first frost, however mild
 * the days are. Null where it neither turns cold nor freezes.
 *
 * @param firstFrost month and day, null where it never freezes
 */
export function sleepOf(
  from: IsoDate,
  mean: (day: IsoDate) => number,
  firstFrost: string | null,
  assumption: AssumptionById,
): Estimate | null {
  const cold = fallingUnder('sleep', addDays(from, -185), mean, assumption);
  if (!firstFrost) return cold;
  const { value, margin, source } = assumption('frost-sleep');
  // The last such day that is no later than six weeks after midwinter.
  const day = firstFrost === '02-29' ? '02-28' : firstFrost;
  const year = Number(from.slice(0, 4));
  const frost = [`${year}-${day}`, `${year - 1}-${day}`].find((each) => each <= addDays(from, 42))!;
  const best = addDays(frost, value);
  if (cold && cold.best <= best) return cold;
  return {
    early: addDays(best, -margin),
    best,
    late: addDays(best, margin),
    basis: `${value} days after the usual first frost`,
    source,
    observed: false,
  };
}

/** First day, within 200 from `since`, on which the mean is under a figure; the margin is the figure's. */
export function fallingUnder(
  id: string,
  since: IsoDate,
  mean: (day: IsoDate) => number,
  assumption: AssumptionById,
): Estimate | null {
  const { value, margin, source } = assumption(id);
  const under = (limit: number): IsoDate | null => {
    // It has to be warmer first: a site that is always cold has no such day.
    let warmer = false;
    for (let i = 0; i < 230; i++) {
      const cold = mean(addDays(since, i)) < limit;
      if (cold && warmer) return addDays(since, i);
      warmer ||= !cold;
    }
    return null;
  };
  const best = under(value);
  if (!best) return null;
  return {
    early: under(value + margin) ?? best,
    best,
    late: under(value - margin) ?? addDays(best, 30),
    basis: prose`mean of the day under ${celsius(value)}`,
    source,
    observed: false,
  };
}

/** First day from `from` to `to` on which the mean reaches a figure, °C; null where the year begins as warm. The margin is the figure's. */
export function risingOver(
  from: IsoDate,
  to: IsoDate,
  mean: (day: IsoDate) => number,
  value: number,
  margin: number,
  source: string | null,
): Estimate | null {
  const over = (limit: number): IsoDate | null => {
    for (let i = 0; i <= daysBetween(from, to); i++)
      if (mean(addDays(from, i)) >= limit) return i === 0 ? null : addDays(from, i);
    return null;
  };
  const best = over(value);
  if (!best) return null;
  return {
    early: over(value - margin) ?? best,
    best,
    late: over(value + margin) ?? addDays(best, 30),
    basis: prose`mean of the day from ${celsius(value)}`,
    source,
    observed: false,
  };
}
