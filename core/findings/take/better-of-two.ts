import { Z90 } from '../../statistics/normal-points';
import { wilsonInterval } from '../../statistics/wilson-interval';
import { type HeardCounts, ranksTurnAt } from './unheard-scenarios';

/** Which of two did better, as far as those heard of and the silent allow. */
export type BetterOfTwo =
  /** The difference of those heard of may be chance. */
  | { told: 'not apart'; low: number; high: number }
  /** Of those heard of one is ahead; `certain` where it stays so for every fate of the silent of either. */
  | { told: 'ahead'; first: boolean; certain: boolean; turn: number | null };

/**
 * Whether one of two is ahead: only where the 90 % interval of the difference of those heard of leaves 0 out.
 * Source: R. G. Newcombe, "Interval estimation for the difference between independent proportions", Statistics in Medicine
 * 17 (1998), method 10.
 *
 * @returns null where nobody was heard of one of them
 */
export function betterOfTwo(first: HeardCounts, second: HeardCounts): BetterOfTwo | null {
  const [a, b] = [first, second].map(({ alive, dead }) => {
    const known = alive + dead;
    const interval = wilsonInterval(alive, known, Z90);
    return interval && { share: alive / known, ...interval };
  });
  if (!a || !b) return null;
  const difference = a.share - b.share;
  const low = difference - Math.hypot(a.share - a.low, b.high - b.share);
  const high = difference + Math.hypot(a.high - a.share, b.share - b.low);
  if (low <= 0 && high >= 0) return { told: 'not apart', low, high };
  const isFirst = difference > 0;
  const [better, worse] = isFirst ? [first, second] : [second, first];
  const all = ({ alive, dead, unknown }: HeardCounts): number => alive + dead + unknown;
  // At worst all silent of the better one died, and all of the other live.
  const certain = better.alive / all(better) > (worse.alive + worse.unknown) / all(worse);
  return { told: 'ahead', first: isFirst, certain, turn: certain ? null : ranksTurnAt(first, second) };
}
