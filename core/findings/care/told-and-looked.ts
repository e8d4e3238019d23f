import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';
import { wilsonInterval, type Interval } from '../../statistics/wilson-interval';
import { type OneAnswer, wasLooked } from '../take/counting-answers';

/** An answer of one union to one round. */
export interface ToldAnswer extends OneAnswer {
  id: string;
}

/** Share of what was told that is looked at again, so that it is known how often it is wrong. */
export const LOOKED_AGAIN_SHARE = 0.05;
/** A look within so many days of what was told is about the same state of the plant. */
const SAME_STATE_DAYS = 14;

/**
 * A number from 0 to 1 that a text always gives: which answers are looked at again is drawn, and drawn the same every time.
 * Source: FNV-1a, G. Fowler, L. C. Noll, K.-P. Vo, with a final mixing of its bits as in MurmurHash 3 by A. Appleby.
 */
export function lotOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return ((hash ^ (hash >>> 16)) >>> 0) / 4294967296;
}

/** Whether a told answer is one of those that are looked at again. */
export function isDrawn(answer: ToldAnswer, seed: string, share = LOOKED_AGAIN_SHARE): boolean {
  return !wasLooked(answer) && isDefinite(answer) && lotOf(`${seed} ${answer.id}`) < share;
}

const isDefinite = ({ answer }: OneAnswer): boolean => answer === 'yes' || answer === 'dead';

/** The look that shows whether what was told was so; null where nobody looked in time. */
export function lookAfter(told: ToldAnswer, all: readonly ToldAnswer[]): ToldAnswer | null {
  const near = (look: ToldAnswer): number => Math.abs(daysBetween(told.seenOn, look.seenOn));
  const looks = all.filter((each) => wasLooked(each) && isDefinite(each) && near(each) <= SAME_STATE_DAYS);
  return looks.sort((a, b) => near(a) - near(b))[0] ?? null;
}

/** How often what was told was not so. */
export interface ToldErrors {
  looked: number;
  wrong: number;
  interval: Interval | null;
}

/**
 * How often growers were wrong, of what was told and looked at as well. One that was told alive and looked at later as dead
 * may have died between: it is no error of theirs.
 *
 * @param unions the answers of one union to one round each
 */
export function toldErrors(
  unions: readonly (readonly ToldAnswer[])[],
  drawn: (told: ToldAnswer) => boolean,
): ToldErrors {
  let [looked, wrong] = [0, 0];
  for (const answers of unions)
    for (const told of answers) {
      if (wasLooked(told) || !isDefinite(told) || !drawn(told)) continue;
      const look = lookAfter(told, answers);
      if (!look) continue;
      looked++;
      const diedSince = told.answer === 'yes' && look.answer === 'dead' && look.seenOn > told.seenOn;
      if (look.answer !== told.answer && !diedSince) wrong++;
    }
  return { looked, wrong, interval: wilsonInterval(wrong, looked) };
}

/** A lot that was drawn is looked at within so many days of its coming; after that it lapses. */
const LOOK_WITHIN_DAYS = 14;

/** The last day to look at something that was told; null where it was looked at, or its time is over. */
export function lookBy(
  told: ToldAnswer & { cameOn: IsoDate },
  all: readonly ToldAnswer[],
  today: IsoDate,
): IsoDate | null {
  if (lookAfter(told, all)) return null;
  const passed = daysBetween(told.cameOn, today);
  return passed < 0 || passed > LOOK_WITHIN_DAYS ? null : addDays(told.cameOn, LOOK_WITHIN_DAYS);
}
