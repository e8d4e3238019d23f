import { boolean, type InferType, object, string } from 'yup';
import { id, isoDate, optionalText, SEEN_YEARS, text } from '../../inputs/fields';

const code = () => string().strict().required('Choose what was seen.').max(40, 'Choose what was seen again.');

/** An answer of the guide: what was seen of a union that died. */
export const causeLookInput = object({
  unionId: id('a plant'),
  code: code(),
  note: optionalText('the note', 300),
  seenOn: isoDate('the day it was seen', SEEN_YEARS),
  assessorId: string().max(36).default(undefined),
  sentAt: string().max(40).default(undefined),
});

export type CauseLook = InferType<typeof causeLookInput>;

/** Evidence that is not to be believed, and why. */
export const strikeInput = object({
  unionId: id('a plant'),
  code: code(),
  reason: text('why it is struck out', 300),
});

/** A cause as a person settles it; empty where nobody knows it. */
export const settledCauseInput = object({
  unionId: id('a plant'),
  cause: string().strict().default('').max(40, 'Choose a cause.'),
  reason: text('the reason', 300),
  /** Settled before anybody saw what was computed. */
  blind: boolean().strict().default(false),
});
