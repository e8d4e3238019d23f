/**
 * What can happen to a plant on any day, whether or not anybody asked: what ends a graft, what ends the plant for the
 * club, and what changes who can look at it.
 */
export const HAPPENINGS = {
  died: 'It died',
  snapped: 'It snapped off',
  eaten: 'An animal ate or stripped it',
  mown: 'It was mown or cut down',
  frozen: 'It froze',
  drowned: 'It stood in water',
  taken: 'It was taken away, and nobody knows where',
  'given-on': 'It was given to somebody else',
  'moved-house': 'Its grower moved house',
  'label-lost': 'Its label is lost',
  overgrown: 'One side of the union outgrows the other',
  'red-early': 'Its leaves turn red weeks before its like',
} as const;
export type Happening = keyof typeof HAPPENINGS;

/** Those that a graft may die of. */
export const DEADLY: readonly Happening[] = ['died', 'snapped', 'eaten', 'mown', 'frozen', 'drowned'];

/** After these nobody can look at it any more. */
export const GONE: readonly Happening[] = ['taken'];

/** Evidence of why a graft died that a happening is. */
export const HAPPENING_EVIDENCE: Partial<Record<Happening, string>> = { eaten: 'bitten' };

/** @example isHappening('eaten') // true */
export function isHappening(code: string): code is Happening {
  return Object.hasOwn(HAPPENINGS, code);
}
