import { daysBetween, type IsoDate } from '../../units/iso-date';
import { MOST_LETTERS } from './letter';

/** Days between two letters to one person: one a week at most, whatever is asked. */
const LETTER_DAYS = 7;

/**
 * Whether somebody may be written to today, going by the last letter they had from the club.
 *
 * @param lastOn null where there was none
 */
export function mayWrite(lastOn: IsoDate | null, today: IsoDate): boolean {
  return lastOn === null || daysBetween(lastOn, today) >= LETTER_DAYS;
}

/** Whether a question may still be put by letter: at most a first one and two reminders, counted anew after any answer. */
export function mayAsk(lettersSinceAnswer: number): boolean {
  return lettersSinceAnswer < MOST_LETTERS;
}
