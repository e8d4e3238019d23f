import { type InferType, object, string } from 'yup';
import { PLANT_EVENTS, type PlantEvent } from '@/core/methods/timetable/trigger';
import { decimal, id, isoDate, optionalText, SEEN_YEARS } from '@/core/inputs/fields';
import { HAPPENINGS } from './happening';
import { TIE_IDS } from './ties/ties';

/**
 * What is seen on a union: the height of its shoot; that it was shortened on purpose; an event that tasks wait for; a tie
 * on or off; the caliper of a stock that is to be budded; that it was opened to look; that it came off
 * with the top of the stock, or was rubbed off, since another on its plant was kept; that
 * something happened to it, or that it died of that; that its grower has not done a task yet, or cannot.
 */
export const OBSERVATION_KINDS = [
  'height',
  'shortened',
  'event',
  'tie-on',
  'tie-off',
  'caliper',
  'opened',
  'cut-away',
  'happened',
  'ended',
  'not-yet',
  'cannot',
] as const;
export type ObservationKind = (typeof OBSERVATION_KINDS)[number];

/** What only a grower says of a task, about its id. */
const OF_GROWERS: readonly string[] = ['not-yet', 'cannot'] satisfies ObservationKind[];

const EVENTS = Object.keys(PLANT_EVENTS) as PlantEvent[];
/** The longest shoot of a few years, mm. */
const TALLEST = 6000;

const measures = ['height', 'shortened', 'caliper'];
const kindIs =
  (...kinds: string[]) =>
  (kind: unknown): boolean =>
    kinds.includes(String(kind));

/** Something seen; lengths in mm. */
export const observationInput = object({
  unionId: id('a plant'),
  kind: string()
    .oneOf(
      OBSERVATION_KINDS.filter((kind) => !OF_GROWERS.includes(kind)),
      'Say what was seen.',
    )
    .required('Say what was seen.'),
  about: string()
    .default('')
    .when('kind', {
      is: kindIs('event'),
      then: (schema) => schema.oneOf(EVENTS, 'Say what was seen on the plant.'),
      otherwise: (schema) =>
        schema.when('kind', {
          is: kindIs('tie-on', 'tie-off'),
          then: (tie) => tie.oneOf([...TIE_IDS], 'Say which tie it is.'),
          otherwise: (neither) =>
            neither.when('kind', {
              is: kindIs('happened', 'ended'),
              then: (what) => what.oneOf(Object.keys(HAPPENINGS), 'Say what happened.'),
              otherwise: (none) => none.oneOf([''], 'Reload the page and enter it again.'),
            }),
        }),
    }),
  lengthMm: decimal()
    .typeError('Enter the length as a number.')
    .nullable()
    .default(null)
    .min(0, 'A length is not below 0.')
    .max(TALLEST, 'More than 6 m in these years cannot be right. Check the unit.')
    .when('kind', {
      is: kindIs(...measures),
      then: (schema) => schema.nonNullable('Enter the length.').required('Enter the length.'),
    }),
  note: optionalText('the note', 300).when('kind', {
    is: kindIs('shortened'),
    then: (schema) => schema.required('Say why it was shortened: tipped, wood taken, blossom cut.'),
  }),
  seenOn: isoDate('the day it was seen', SEEN_YEARS),
  assessorId: string().max(36).default(undefined),
  sentAt: string().max(40).default(undefined),
});

export type UnionObservation = InferType<typeof observationInput>;
