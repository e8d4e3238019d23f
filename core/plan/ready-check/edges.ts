import type { GroundFor } from '../../drawing/knife-edge';
import { counted } from '../../units/counted';
import type { IsoDate } from '../../units/iso-date';

export const HANDS: readonly GroundFor[] = ['right', 'left', 'either'];
export const HAND_WORDS: Record<GroundFor, string> = { right: 'right hand', left: 'left hand', either: 'either hand' };

/** A knife's test cut before the day: a long cut on waste wood, held to the light. */
export interface EdgeTest {
  id: string;
  /** What the knife is called, as it stands on its handle. */
  knife: string;
  hand: GroundFor;
  passed: boolean;
  testedOn: IsoDate;
  testedBy: string;
  /** Who sharpened it last. */
  sharpenedBy: string;
}

/** What the edges of a day come to. */
export interface EdgesTold {
  light: 'go' | 'care';
  says: string;
  remedy: string | null;
}

interface Hands {
  people: number;
  leftHanded: number;
  /** Whether the knives of the day are ground on one side, so that a left hand needs its own. */
  handed: boolean;
}

/**
 * Whether the knives that passed are enough, for right hands and for left; those that failed are named.
 *
 * @example edgesTold([], { people: 0, leftHanded: 0, handed: true }).light // 'care'
 */
export function edgesTold(tests: readonly EdgeTest[], { people, leftHanded, handed }: Hands): EdgesTold {
  if (tests.length === 0)
    return {
      light: 'care',
      says: 'No knife has made its test cut.',
      remedy: 'Let each knife make a long cut on waste wood before the day, hold the face to the light, and enter it.',
    };
  const failed = tests.filter(({ passed }) => !passed);
  if (failed.length > 0)
    return {
      light: 'care',
      says: `${failed.length} of ${counted(tests.length, 'knife', 'knives')} failed the test cut: ${failed.map(({ knife }) => knife).join(', ')}.`,
      remedy: 'Sharpen and strop them and test them again, or leave them at home.',
    };
  const fitting = (hand: GroundFor): number =>
    tests.filter((test) => test.hand === hand || test.hand === 'either').length;
  if (handed && leftHanded > 0 && fitting('left') < leftHanded)
    return {
      light: 'care',
      says: `${fitting('left')} of ${counted(leftHanded, 'knife', 'knives')} for left hands passed the test cut.`,
      remedy: 'Find knives ground for the left hand: on the other face they dig in.',
    };
  if (tests.length < people)
    return {
      light: 'care',
      says: `${counted(tests.length, 'knife', 'knives')} passed the test cut; ${counted(people, 'person comes', 'people come')}.`,
      remedy: 'Test the rest, or plan for sharing.',
    };
  return {
    light: 'go',
    says: tests.length === 1 ? 'The knife passed the test cut.' : `All ${tests.length} knives passed the test cut.`,
    remedy: null,
  };
}
