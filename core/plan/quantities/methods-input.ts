import { capital } from '@/core/units/capital';
import { object, array, string, boolean, mixed } from 'yup';
import { type StumpRow, stumpTableStands } from '@/core/methods/stump-scions';
import { MOST_METHODS } from '../dates/planned-method';
import { VARIANTS } from '@/core/methods/use';
import { text, count, decimal, optionalText } from '@/core/inputs/fields';

const share = (what: string, least: number, most: number) =>
  decimal()
    .typeError(`Enter ${what} as a number.`)
    .required(`Enter ${what}.`)
    .min(least, `${capital(what)} must be ${least} or more.`)
    .max(most, `${capital(what)} must be ${most} or less.`);

/** Scions by the size of the stump, by method: rows in their order, the last of them without an upper end. */
const stumpTables = mixed<Record<string, StumpRow[]>>().test(
  'stumps',
  'Give each row of the table of stumps a larger diameter than the one before and 1 to 6 scions, keep no more than are set, and leave the last diameter empty.',
  (tables) =>
    typeof tables === 'object' &&
    tables !== null &&
    !Array.isArray(tables) &&
    Object.values(tables).every((rows) => Array.isArray(rows) && stumpTableStands(rows)),
);

/**
 * What is made on a day, and how it is reckoned.
 * @param known ids of the methods there are.
 */
export const methodsInput = (known: string[]) =>
  object({
    methods: array(
      object({
        method: string().oneOf(known, 'Choose a method from the list.').required('Choose a method.'),
        place: string()
          .oneOf(['bench', 'field', 'pot'] as const, 'Choose where it is done.')
          .required('Choose where it is done.'),
        scionSpecies: text('the species of the scion', 60),
        stockSpecies: text('the species of the stock', 60),
        practiceEach: count('practice unions for each person', 0, 60),
        keepersEach: count('keepers for each person', 0, 20),
        stump: decimal()
          .nullable()
          .default(null)
          .transform((value, original) => (original === '' ? null : value))
          .typeError('Enter the diameter of the stumps in figures, or leave it empty.')
          .min(5, 'A stump is 5 mm or more.')
          .max(400, 'A stump of more than 400 mm is no place for a scion.'),
        /** Written by its own page: how it lives on, and why where the day does not allow it. */
        variant: string()
          .nullable()
          .default(null)
          .transform((value: unknown) => (value === '' ? null : value))
          .oneOf([null, ...VARIANTS], 'Choose how it lives on from the list.'),
        variantReason: optionalText('the reason', 200),
        practiceOn: string()
          .oneOf(['prunings', 'good'] as const, 'Choose what practice is done on.')
          .required('Choose what practice is done on.'),
      }),
    )
      .required('Name a method.')
      .min(1, 'A workshop teaches one method or more.')
      .max(MOST_METHODS, 'Six methods in a day are the most.'),
    expected: decimal()
      .nullable()
      .default(null)
      .transform((value, original) => (original === '' ? null : value))
      .typeError('Enter the number of people in figures.')
      .integer('Enter a whole number of people.')
      .min(1, 'For zero people there is nothing to plan: enter one or more, or leave it empty to count the roster.')
      .max(500, 'More than 500 people are no workshop.'),
    settings: object({
      confidence: share('the confidence', 0.5, 0.99),
      aim: string()
        .oneOf(['each', 'everybody', 'pooled'] as const, 'Choose for whom the promise is kept.')
        .required('Choose for whom the promise is kept.'),
      usableBuds: share('usable buds on a stick', 1, 40),
      waste: share('waste', 0, 0.9),
      practiceWrapped: boolean().required(),
      peoplePerBench: count('people at a bench', 1, 20),
      bottle: share('the strength on the bottle, in percent,', 1.5, 100),
      disinfectant: share('litres of disinfectant a bench', 0, 20),
      stumps: stumpTables.default({}),
    }),
  });
