import { array, boolean, type InferType, object, string } from 'yup';
import { count, flag, id, optionalDate, optionalText } from '@/core/inputs/fields';
import { VARIANTS } from '@/core/methods/use';
import { BINDING_IDS } from './plan/actual-binding';
import { POSITIONS } from '@/core/methods/position';

/** Text that an unchanged field leaves empty, which is as if it had not been sent. */
const chosenText = () => string().transform((value: unknown) => (value === '' ? undefined : value));
const methodOf = (known: string[]) => chosenText().oneOf(known, 'Choose a method from the list.');

/**
 * Keepers to be made: of which method and lots, and how many each; what is not said is the workshop's and what Quantities says.
 * @param known ids of the methods there are.
 */
export const makeInput = (known: string[]) =>
  object({
    method: methodOf(known).default(undefined),
    woodLotId: id('a wood lot'),
    stockLotId: id('a stock lot'),
    each: count('how many each', 0, 60).optional().default(undefined),
    /** They stay with the club; else each goes home with whoever made it. */
    withUs: flag().default(false),
  });

/** @param known ids of the methods there are. */
export const changeInput = (known: string[]) =>
  object({
    plantIds: array(id('a keeper'))
      .required('Choose keepers.')
      .min(1, 'Choose at least one keeper.')
      .max(1000, 'Choose 1000 keepers at most.'),
    woodLotId: string().default(undefined),
    stockLotId: string().default(undefined),
    seatId: string().default(undefined),
    method: methodOf(known).default(undefined),
    madeOn: optionalDate('the day they were made').default(undefined),
    /** "none", or "member" or "seat" with an id. */
    helper: chosenText()
      .default(undefined)
      .matches(/^(none|(member|seat) [0-9a-f-]{36})$/, 'Choose whose help it was made with again.'),
    /** What it was really bound with, where that is not what its method asks for. */
    binding: chosenText()
      .oneOf([...BINDING_IDS], 'Choose what it was bound with from the list.')
      .default(undefined),
    /** How it lives on: whether a bud sleeps or is forced. What its day does not allow needs a reason. */
    variant: chosenText()
      .oneOf([...VARIANTS], 'Choose how it lives on from the list.')
      .default(undefined),
    reason: optionalText('the reason', 200),
    voided: boolean().strict().default(undefined),
  });

/** What is changed of keepers. */
export type KeeperChange = InferType<ReturnType<typeof changeInput>>;

/** Another union on a plant. */
export const unionInput = (known: string[]) =>
  object({
    method: methodOf(known).required('Choose a method.'),
    position: string()
      .oneOf([...POSITIONS], 'Choose where it sits.')
      .required('Choose where it sits.'),
  });
