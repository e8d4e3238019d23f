import { daysBetween, formatDate, type IsoDate } from '../../units/iso-date';
import type { LotWarning } from './lot-warnings';

/** How wood arrives that travelled, once its ends are trimmed and the bark is scraped. */
export const ARRIVALS = ['green', 'dry-ends', 'limp', 'brown'] as const;
export type Arrival = (typeof ARRIVALS)[number];

export const ARRIVAL_WORDS: Record<Arrival, string> = {
  green: 'green to the ends',
  'dry-ends': 'ends dry, green behind them',
  limp: 'limp, green under the bark',
  brown: 'brown under the bark',
};

/** What is done with wood as it arrives. Source: usual practice. */
const REMEDIES: Record<Exclude<Arrival, 'green'>, string> = {
  'dry-ends': 'Trim both ends back to green, then store it cold and barely damp.',
  limp: 'Trim both ends, stand it in water for some hours, look for green again, then store it cold. Use it soon.',
  brown: 'Do not graft it. Tell whoever sent it, and use another lot.',
};

/** The way of a lot that comes by post; nothing where it does not. */
export interface ByPost {
  orderedOn: IsoDate | null;
  sentOn: IsoDate | null;
  arrivedOn: IsoDate | null;
  arrival: Arrival | '';
}

/** Whether the days of its way follow each other, as far as they are known. */
export function postInOrder({ orderedOn, sentOn, arrivedOn }: Omit<ByPost, 'arrival'>): boolean {
  const known = [orderedOn, sentOn, arrivedOn].filter((day) => day !== null && day !== '');
  return known.every((day, i) => i === 0 || known[i - 1]! <= day!);
}

/** How far a lot has come; null where it does not come by post. */
export function postWords({ orderedOn, sentOn, arrivedOn, arrival }: ByPost): string | null {
  if (arrivedOn) return `By post, arrived on ${formatDate(arrivedOn)}${arrival ? `: ${ARRIVAL_WORDS[arrival]}` : ''}`;
  if (sentOn) return `By post, sent on ${formatDate(sentOn)}`;
  return orderedOn ? `By post, ordered on ${formatDate(orderedOn)}` : null;
}

/** Wood that is under way for longer than this has travelled badly, days. Source: usual practice, one to two weeks. */
const LONG_WAY = 14;

/**
 * What there is to mind of a lot that comes by post.
 *
 * @param day of the workshop, or of today.
 */
export function postWarning(variety: string, post: ByPost, day: IsoDate): LotWarning | null {
  const { orderedOn, sentOn, arrivedOn, arrival } = post;
  if (!orderedOn && !sentOn && !arrivedOn) return null;
  if (!arrivedOn) {
    const late = sentOn && daysBetween(sentOn, day) > LONG_WAY;
    return {
      id: 'post',
      level: 'care',
      says: sentOn
        ? `${variety} was sent on ${formatDate(sentOn)} and has not arrived${late ? ', over two weeks later' : ''}.`
        : `${variety} was ordered on ${formatDate(orderedOn!)} and is not sent yet.`,
      remedy: 'Ask whoever sends it, and enter when it is sent and when it arrives. Have another lot ready.',
    };
  }
  if (arrival === '')
    return {
      id: 'post',
      level: 'care',
      says: `${variety} arrived on ${formatDate(arrivedOn)}, and nobody entered how.`,
      remedy:
        'Trim both ends, scrape a little bark and look for green, stand it in water if it is limp; then enter it.',
    };
  return arrival === 'green'
    ? null
    : {
        id: 'post',
        level: arrival === 'brown' ? 'stop' : 'care',
        says: `${variety} arrived on ${formatDate(arrivedOn)}: ${ARRIVAL_WORDS[arrival]}.`,
        remedy: REMEDIES[arrival],
      };
}
