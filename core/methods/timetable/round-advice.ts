import type { Milestone } from '../milestones';
import type { LengthUnit } from '../../units/length';
import { mm, type Prose, prose, written } from '../../units/prose';
import type { Trigger } from './trigger';

/** Signs that a round asks for. */
const SIGNS = {
  'callus-ring': 'a ring of callus along the cut',
  'holds-to-push': 'it holds to a gentle push',
  'buds-swell': 'buds swell',
  'buds-swell-in-film': 'buds swell, seen through the film with the cover shut',
  'bud-swells': 'the bud swells',
  'no-leaf-stub': 'dormant wood has no leaf stub to go by',
  'tip-swells': 'the tip swells',
  'bud-green': 'plump and green, or plump to the touch under what covers it',
  'stub-drops': 'the leaf stub, if one was left, drops at a touch',
  'patch-green': 'green, its edges callused',
  'bud-sound': 'the bud sound',
  shoot: prose`a new shoot of ${mm(50)}`,
  'sleeps-till-spring': 'it sleeps until spring',
  'alive-at-leaf-fall': 'alive at leaf fall',
  alive: 'alive',
  'grows-in-spring': 'grows again in spring',
  grows: 'grows again',
} as const satisfies Record<string, Prose>;
export type Sign = keyof typeof SIGNS;

/** What is asked of whoever looks; the catalogue of wording has its words. */
export type Question =
  | 'callus-holds'
  | 'buds-swelling'
  | 'buds-through-film'
  | 'bud-swelling'
  | 'bud-green'
  | 'patch-green'
  | 'tip-swelling'
  | 'shoot'
  | 'bud-woke'
  | 'alive-at-leaf-fall'
  | 'alive'
  | 'grows-in-spring'
  | 'grows';

/** Signs that are something to know besides, and nothing to be seen. */
const BESIDES: Sign[] = ['no-leaf-stub', 'sleeps-till-spring'];

/** A round of follow-up that a union asks for. */
export interface RoundAdvice {
  milestone: Milestone;
  /** A later milestone that is seen by the same look, so that it is not asked again. */
  answers?: Milestone;
  trigger: Trigger;
  /** Its days are counted from planting out: until then the graft is kept cool and cannot grow. */
  afterCool?: true;
  /** When, where the place has no such turn of the year. */
  otherwise?: Trigger;
  /** What is looked for. */
  signs: Sign[];
  /** How it is put to whoever looks. */
  question: Question;
}

/** What a round looks for, in words: signs that are seen together by commas, what to know besides after a semicolon. */
export function signWords(signs: readonly Sign[], unit: LengthUnit): string {
  const words = signs.map((sign) => written(SIGNS[sign], unit));
  return words
    .slice(1)
    .reduce((text, next, i) => `${text}${BESIDES.includes(signs[i + 1]!) ? ';' : ','} ${next}`, words[0]!);
}
