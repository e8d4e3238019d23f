import { mm, prose } from '../../units/prose';
import { question } from '../school';

/*
 * What the season or the place of a union decides: a day answers these by the variant that is made then; a page that shows a method
 * alone asks them. Source: usual practice, wood and stocks.
 */

export const BUD_WOOD = question(
  'bud-wood',
  'wood',
  'What the bud is cut from',
  [
    'season',
    'a shoot of this season',
    'Summer buds: the leaf stub is a handle, and tells by dropping that it has knit.',
  ],
  ['dormant', 'dormant wood, kept cold', 'Spring buds: no leaf stub to hold, and it grows this year.'],
);
export const PATCH_WOOD = question(
  'patch-wood',
  'wood',
  'What the patch is cut from',
  ['season', 'a shoot of this season', 'Early autumn: its leaf blade comes off, and the stub is a handle.'],
  [
    'last-year',
    'last year’s shoot',
    'Spring: its buds still sleep behind those that have pushed, and it has no leaf to cut.',
  ],
);
const place = <const Id extends string>(id: Id) =>
  question(
    id,
    'wood',
    'Where the stock stands',
    ['bench', 'bare-rooted, at the bench', 'It is held in the hand and potted afterwards.'],
    [
      'outdoors',
      'rooted outdoors or in a pot',
      prose`It is cut where the union is to be, ${mm(150, 300)} above the soil.`,
    ],
  );
export const WHIP_PLACE = place('whip-place');
export const SPLICE_PLACE = place('splice-place');

/** Ids of the questions that a day answers by itself. */
export const ANSWERED_BY_THE_DAY: readonly string[] = [BUD_WOOD, PATCH_WOOD, WHIP_PLACE, SPLICE_PLACE].map(
  ({ id }) => id,
);
