import { counted } from '../../units/counted';
import { percent, percentRange } from '../../units/percent';
import { MILESTONE_WORDS, type Milestone } from '../../methods/milestones';
import type { TakeRate } from '../take/take-rate';

/** From how many known fates on a share is said as one; below it counts are. */
const SHARE_FROM = 10;

/**
 * What is known of take, in a sentence: with its interval, and with how many nobody heard of.
 *
 * @param milestone null for the last one each was asked for
 * @param whose "of the club", "of 14 March 2026"
 */
export function takeSentence(take: TakeRate, milestone: Milestone | null, whose: string): string {
  const { alive, dead, unknown, handedOver, rate, interval, bounds } = take;
  const known = alive + dead;
  const at = milestone === null ? 'when last asked' : MILESTONE_WORDS[milestone].name.toLowerCase();
  if (handedOver === 0) return `No keepers ${whose} were handed over, so there is no take to speak of yet.`;
  if (rate === null || interval === null || bounds === null)
    return `Nothing is known yet of ${counted(handedOver, 'keeper')} ${whose}.`;
  const silent = unknown === 0 ? 'all were heard of' : `${unknown} ${unknown === 1 ? 'was' : 'were'} not heard of`;
  if (known < SHARE_FROM)
    return `Of ${counted(handedOver, 'keeper')} ${whose}, ${alive} ${alive === 1 ? 'lives' : 'live'} and ${dead} died (${at}); ${silent}, which is too few for a share.`;
  const truth = unknown === 0 ? '' : `, so of all ${percentRange(bounds)}`;
  return `${percent(rate)} of ${known} keepers ${whose} live (${at}; ${percentRange(interval)} would fit too), and ${silent}${truth}.`;
}
