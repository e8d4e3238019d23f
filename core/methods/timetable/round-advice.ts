import type { Milestone } from '../milestones';
import type { Trigger } from './trigger';

/** Signs that a round asks for; `length` writes a length in the reader's unit. */
const SIGNS = {
  'callus-along-cut': () => 'callus along the cut',
  'buds-swell': () => 'buds swell',
  'buds-swell-in-bag': () => 'buds swell, seen through the bag',
  'tip-swells': () => 'the tip swells',
  'stub-drops': () => 'stub drops at a touch',
  'chip-green': () => 'chip plump and green',
  'shield-green': () => 'shield plump and green',
  'patch-green': () => 'patch green, edges callused',
  shoot: (length) => `a new shoot of ${length(50)}`,
  'bud-waits': () => 'before spring there is nothing to see',
  'autumn-waits': () => 'autumn patches wait for spring',
  'alive-at-leaf-fall': () => 'alive at leaf fall',
  alive: () => 'alive',
  'grows-in-spring': () => 'grows again in spring',
  grows: () => 'grows again',
} as const satisfies Record<string, (length: (mm: number) => string) => string>;
export type Sign = keyof typeof SIGNS;

/** A round of follow-up that the method asks for. */
export interface RoundAdvice {
  milestone: Milestone;
  trigger: Trigger;
  /** What is looked for. */
  signs: Sign[];
}

/** A round that asks for signs when its trigger falls. */
export function round(milestone: Milestone, trigger: Trigger, ...signs: Sign[]): RoundAdvice {
  return { milestone, trigger, signs };
}

/** What a round looks for, in words: signs that are seen together by commas, what to know besides after a semicolon. */
export function signWords(signs: Sign[], length: (mm: number) => string): string {
  const words = signs.map((sign) => SIGNS[sign](length));
  return words
    .slice(1)
    .reduce((text, next, i) => `${text}${signs[i + 1]!.endsWith('-waits') ? ';' : ','} ${next}`, words[0]!);
}
