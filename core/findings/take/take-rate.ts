import { wilsonInterval, type Interval } from '../../statistics/wilson-interval';

export interface TakeCounts {
  /** Keepers handed over. */
  handedOver: number;
  alive: number;
  dead: number;
}

export interface TakeRate extends TakeCounts {
  /** Not heard from, not found, or not sure. */
  unknown: number;
  /** alive / (alive + dead), null when nobody has answered. */
  rate: number | null;
  interval: Interval | null;
  /** What the rate over all keepers would be if every unknown one were dead, or alive. */
  bounds: Interval | null;
}

/**
 * Take rate with its interval, and the range that the truth could lie in given the keepers not
 * heard from: alive / n to (alive + unknown) / n.
 *
 * @throws RangeError when alive and dead exceed the keepers handed over.
 * @example takeRate({ handedOver: 60, alive: 30, dead: 10 }) // rate 0.75, bounds 0.5 to 0.833
 */
export function takeRate(counts: TakeCounts): TakeRate {
  const { handedOver, alive, dead } = counts;
  const unknown = handedOver - alive - dead;
  if (unknown < 0) throw new RangeError('More keepers were answered for than were handed over.');
  const known = alive + dead;
  return {
    ...counts,
    unknown,
    rate: known === 0 ? null : alive / known,
    interval: wilsonInterval(alive, known),
    bounds: handedOver === 0 ? null : { low: alive / handedOver, high: (alive + unknown) / handedOver },
  };
}
