import type { Choices } from './school';
import { SECOND_BUD } from './schools/of-cutting';
import type { Use } from './use';

/** Where on its plant a union sits, as the one who made it faces it. */
export const POSITIONS = [
  'sole',
  'upper',
  'lower',
  'front',
  'back',
  'first',
  'second',
  'third',
  'fourth',
  'again',
  'again-2',
  'again-3',
] as const;
export type Position = (typeof POSITIONS)[number];

export const POSITION_WORDS: Record<Position, string> = {
  sole: 'the only one',
  upper: 'the upper one',
  lower: 'the lower one',
  front: 'the one in front',
  back: 'the one behind',
  first: 'the first scion',
  second: 'the second scion',
  third: 'the third scion',
  fourth: 'the fourth scion',
  again: 'set after the first died',
  'again-2': 'set after the second died',
  'again-3': 'set after the third died',
};

/** Unions that are set on a stock whose earlier ones all died, in their order. */
export const AGAIN = ['again', 'again-2', 'again-3'] as const satisfies readonly Position[];

/**
 * Where unions of a method can sit on one plant. Buds and side grafts go one above the other or on opposite sides;
 * scions stand round a stump; what takes the whole of the stock's end is one, and so are four flaps.
 *
 * @example positionsOf({ several: 'around the stump' }) // ['sole', 'first', 'second', 'third', 'fourth']
 */
export function positionsOf({ several }: Pick<Use, 'several'>): readonly Position[] {
  if (several === 'along the stem') return ['sole', 'upper', 'lower', 'front', 'back'];
  if (several === 'around the stump') return ['sole', 'first', 'second', 'third', 'fourth'];
  return ['sole'];
}

/**
 * Where the unions sit that one plant gets in one go: two buds where the school sets one as insurance, else the only one.
 *
 * @example positionsMade({ 'second-bud': 'opposite' }) // ['front', 'back']
 */
export function positionsMade(schools: Choices): readonly Position[] {
  switch (schools[SECOND_BUD.id]) {
    case 'above':
      return ['lower', 'upper'];
    case 'opposite':
      return ['front', 'back'];
    default:
      return ['sole'];
  }
}

/** "K7M2QP, the upper one"; the code alone where there is one union. */
export function calledOnPlant(code: string, position: Position): string {
  return position === 'sole' ? code : `${code}, ${POSITION_WORDS[position]}`;
}
