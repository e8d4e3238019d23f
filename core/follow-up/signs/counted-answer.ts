import type { Answer, RoundKind } from '../../methods/milestones';
import type { Question } from '../../methods/timetable/round-advice';
import type { Said } from '../said';
import { type Reading, type ReadingReason, readSigns, type SeenWhen } from './read-signs';
import { type SignDays, USUAL_SIGN_DAYS } from './sign-days';
import type { Signs } from './signs';

/** Why an answer counts as it does. */
export type AnswerReason =
  ReadingReason | 'said-alive' | 'said-unsure' | 'short-yet' | 'not-found' | 'length-untold' | 'signs-untold';

/** What somebody told of a union. */
export interface Told {
  /** The round it answers. */
  kind: RoundKind;
  /** How the round puts it of this union; null where it has no question of its own. */
  question: Question | null;
  signs: Signs;
  said: Said | '';
  /**
   * It was asked how it is, and not what the round asks: "it lives" says that it lives, and nothing of how far it has come.
   */
  howIsIt?: boolean;
}

export interface CountedAnswer {
  /** What counts at the round's milestone. */
  answer: Answer;
  reading: Reading | null;
  why: AnswerReason;
  /** The day of usual warmth on which it is asked again; null where it is not. */
  nextLook: number | null;
  secondTry: boolean;
}

/** Days until a shoot that is still short is asked for again. */
const SHORT_AGAIN = 14;
/** Reasons that are nothing but time gone by: what somebody saw goes before them. */
const BY_TIME: readonly AnswerReason[] = ['too-early', 'nothing-moved', 'sleeps-till-spring'];

/** The signs a plain yes stands for, by what was asked. */
function signsOfYes(question: Question | null, grown: number): Signs {
  switch (question) {
    case 'callus-holds':
      return { callus: 'ring', holds: 'yes' };
    case 'buds-swelling':
    case 'buds-through-film':
    case 'bud-swelling':
      return { buds: 'swelling' };
    case 'bud-green':
      return { shield: 'plump' };
    case 'patch-green':
      return { patch: 'green', bud: 'sound' };
    case 'tip-swelling':
      return { tip: 'swelling' };
    case 'shoot':
    case 'bud-woke':
      return { growth: grown, leaves: 'firm' };
    case 'grows-in-spring':
    case 'grows':
      return { growth: 1 };
    case 'alive-at-leaf-fall':
    case 'alive':
    case null:
      return {};
  }
}

/**
 * What an answer counts as: what the signs say on that day, and what of it the milestone asks. "Dead" said before dead can
 * be known counts as not sure and is asked again; a plain yes stands for the signs that were asked for.
 *
 * @throws RangeError when the day is none
 * @example countedAnswer({ kind: 'growing', question: 'shoot', signs: {}, said: 'dead' }, { variant: 'spring', day: 40, sinceLeaf: null }).answer // 'not-sure'
 */
export function countedAnswer(told: Told, when: SeenWhen, days: SignDays = USUAL_SIGN_DAYS): CountedAnswer {
  const { kind, said } = told;
  const seen = Object.keys(told.signs).length > 0;
  if (said === 'not-found' && !seen)
    return { answer: 'not-found', reading: null, why: 'not-found', nextLook: null, secondTry: false };
  if (told.howIsIt && said === 'alive' && !seen) return livesOnly(kind, when);
  const yes = said === 'alive' && !seen ? signsOfYes(told.question, days.grown) : {};
  const signs: Signs = { ...yes, ...told.signs, ...(said === '' || said === 'not-found' ? {} : { said }) };
  const read = readSigns(signs, when, days);
  const later = kind !== 'healed' && kind !== 'growing';
  if (later && said === 'alive' && BY_TIME.includes(read.why))
    return { answer: 'yes', reading: 'likely alive', why: 'said-alive', nextLook: null, secondTry: false };
  // Time alone kills nothing: whoever is not sure and saw no sign looks again.
  if (said === 'unsure' && !seen && (read.why === 'nothing-moved' || read.why === 'never-woke'))
    return {
      answer: 'not-sure',
      reading: 'wait',
      why: 'said-unsure',
      nextLook: when.day + days.greenScratch,
      secondTry: false,
    };
  return counted(kind, signs, read, when, days);
}

/** That it lives, where nothing else was said. */
function livesOnly(kind: RoundKind, { day }: SeenWhen): CountedAnswer {
  const lives = { reading: 'likely alive' as const, secondTry: false };
  if (kind !== 'healed' && kind !== 'growing') return { ...lives, answer: 'yes', why: 'said-alive', nextLook: null };
  const why = kind === 'growing' ? ('length-untold' as const) : ('signs-untold' as const);
  return { ...lives, answer: 'not-sure', why, nextLook: day + SHORT_AGAIN };
}

function counted(
  kind: RoundKind,
  { growth = 0 }: Signs,
  { reading, why, nextLook, secondTry }: ReturnType<typeof readSigns>,
  { day }: SeenWhen,
  { grown }: SignDays,
): CountedAnswer {
  const told = { reading, why, nextLook, secondTry };
  if (reading === 'dead' || reading === 'likely dead') return { ...told, answer: 'dead' };
  if (reading === 'wait') return { ...told, answer: 'not-sure' };
  // It lives, but has not come as far as the round asks.
  if (kind === 'growing' && growth < grown)
    return { ...told, answer: 'not-sure', why: 'short-yet', nextLook: nextLook ?? day + SHORT_AGAIN };
  return { ...told, answer: 'yes' };
}
