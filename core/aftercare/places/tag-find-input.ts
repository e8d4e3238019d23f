import { array, type InferType, object } from 'yup';
import { count, id, optionalId, optionalText } from '../../inputs/fields';
import { movedOn } from './place-input';

/** What comes of a look for a plant's lost tag. */
export type TagVerdict = 'must' | 'may' | 'unknown';

/** What stays unsure of a plant: nothing, which plant of its lot it is, or even of which lot. */
export type TagDoubt = '' | 'plant' | 'lot';

/** A plant found without its tag, with what can be seen of it. Orders count in planting order. */
export const tagFindInput = object({
  /** The tags next to it that are on. */
  after: optionalId('the plant before it'),
  before: optionalId('the plant after it'),
  /** Other plants of the place whose tags somebody read there. */
  tagsSeen: array(id('a plant')).default([]).max(1000, 'Name 1000 tags at most.'),
  /** Its lot, where flagging or wood tell it. */
  lotId: optionalId('the lot'),
  untagged: count('how many plants there are without a tag', 1, 1000),
  foundOn: movedOn('the day it was found'),
  /** Which of those it may be is to have the new tag; left open where it is known or nobody wants to say. */
  plantId: optionalId('the plant'),
  note: optionalText('the note', 300),
});
export type TagFindInput = InferType<typeof tagFindInput>;

/** What was seen of it. */
export type TagSeen = Pick<TagFindInput, 'after' | 'before' | 'lotId' | 'untagged'>;
