import { daysBetween, type IsoDate } from '../../units/iso-date';
import type { Answer } from '../../methods/milestones';
import type { WayIn } from '../../follow-up/way-in';

/** An answer as far as it matters which of several counts. */
export interface OneAnswer {
  answer: Answer;
  seenOn: IsoDate;
  source: WayIn;
}

/** Ways in which an answer comes from somebody of the club who stood at the plant. */
const LOOKED: readonly WayIn[] = ['visit', 'list'];

/** Answers seen within these days of each other are about the same state of a plant. */
const TOGETHER_DAYS = 14;

const isDefinite = ({ answer }: OneAnswer): boolean => answer === 'yes' || answer === 'dead';

/** Whether somebody of the club looked, so that nothing was only told. */
export function wasLooked({ source }: Pick<OneAnswer, 'source'>): boolean {
  return LOOKED.includes(source);
}

/**
 * Which answers of one union to one round count: the last one, but that somebody who looked counts before one that was told
 * within 14 days. What changed later is not outranked: both count then, alive and after that dead, or dead and after that
 * alive, which the lead settles.
 *
 * @param answers in the order of their coming
 * @returns none, one or two, in the order in which they were seen
 * @example countingAnswers([{ answer: 'yes', seenOn: '2027-06-01', source: 'visit' }, { answer: 'not-sure', seenOn: '2027-06-05', source: 'link' }])[0].source // 'visit'
 */
export function countingAnswers<Given extends OneAnswer>(answers: readonly Given[]): Given[] {
  const last = answers.at(-1);
  if (!last) return [];
  if (wasLooked(last)) return [last];
  const looked = answers.filter(
    (each) => wasLooked(each) && isDefinite(each) && Math.abs(daysBetween(each.seenOn, last.seenOn)) <= TOGETHER_DAYS,
  );
  const look = looked.at(-1);
  if (!look) return [last];
  const changed = isDefinite(last) && last.answer !== look.answer && last.seenOn > look.seenOn;
  return changed ? [look, last] : [look];
}
