import { boolean, type InferType, object, string } from 'yup';
import {
  count,
  decimal,
  id,
  isoDate,
  optionalDate,
  optionalId,
  optionalText,
  SEEN_YEARS,
  text,
} from '../../inputs/fields';
import { KNITTING_KINS } from '../../plan/phenology/assumptions';
import { LIMB_SIDES, PLACE_KINDS } from './place';

/** A length in mm that may be left open. */
const openLength = (what: string, least: number, most: number) =>
  decimal()
    .transform((value: unknown, typed: unknown) => (typed === '' || typed === null ? null : value))
    .typeError(`Enter ${what} as a number.`)
    .nullable()
    .default(null)
    .min(least, `${what} of less than ${least} mm cannot be right.`)
    .max(most, `${what} of more than ${most / 1000} m cannot be right.`);

/** Plants that a place may hold at most. */
export const MOST_PLANTS = 20_000;

const onLand = object({
  x: openLength('Where it lies', 0, 5_000_000).required('Say where it lies.'),
  y: openLength('Where it lies', 0, 5_000_000).required('Say where it lies.'),
  turned: boolean().default(false),
})
  .nullable()
  .default(null);

/** A place as it is set up or changed; lengths in mm. */
export const placeInput = object({
  siteId: id('the site'),
  kind: string()
    .oneOf([...PLACE_KINDS], 'Choose what kind of place it is.')
    .required('Choose what kind of place it is.'),
  name: text('a name for the place', 60),
  capacity: count('how many plants it holds', 1, MOST_PLANTS),
  rows: object({
    count: count('how many rows it has', 1, 400),
    each: count('how many plants a row has', 1, 500),
    spacing: openLength('The distance in the row', 20, 20_000),
    between: openLength('The distance of rows', 20, 20_000),
  })
    .nullable()
    .default(null),
  onLand,
  /** Of a tree: the programme by which it is changed over. */
  planId: optionalId('the programme'),
  version: count('the version', 0, 1_000_000),
});
export type PlaceInput = InferType<typeof placeInput>;

/** How a callus place is watched: what stands in it, its logger, when somebody is written to. */
export const watchInput = object({
  kin: string()
    .oneOf(['', ...KNITTING_KINS] as const, 'Choose the kind from the list.')
    .default(''),
  warmFrom: optionalDate('the day it was warmed'),
  logger: optionalText('the name of the logger', 60),
  alertHours: decimal()
    .transform((value: unknown, typed: unknown) => (typed === '' ? null : value))
    .typeError('Enter the hours as a number.')
    .nullable()
    .default(null)
    .min(0.25, 'A quarter of an hour or more.')
    .max(240, 'Ten days at most.'),
  version: count('the version', 0, 1_000_000),
});

/** Whose land it is, who gave leave and until when, and what they were told. */
export const landInput = object({
  owner: optionalText('whose land it is', 120),
  leaveBy: optionalText('who gave leave', 120).when('owner', {
    is: (owner: string) => owner !== '',
    then: (schema) => schema.required('Say who gave leave.'),
  }),
  leaveUntil: optionalDate('until when'),
  told: optionalText('what the owner was told', 600),
  version: count('the version', 0, 1_000_000),
});

/** The parts of a spot. */
export const SPOT_FIELDS = {
  row: count('the row', 1, 400).nullable().default(null),
  position: count('the number in the row', 1, 500).nullable().default(null),
  limb: optionalText('the limb', 40),
  side: string()
    .oneOf(['', ...LIMB_SIDES] as const, 'Choose the side from the list.')
    .default(''),
};

/** The day of a move or a find. */
export const movedOn = (what: string) => isoDate(what, SEEN_YEARS);
