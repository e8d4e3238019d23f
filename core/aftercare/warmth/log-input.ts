import { array, boolean, type InferType, number, object, string } from 'yup';
import { id, isoDate, optionalId, optionalText, SEEN_YEARS } from '../../inputs/fields';
import { KNITTING_KINS } from '../../plan/phenology/assumptions';

/** A logger's file as it is handed in. */
export const logInput = object({
  logId: id('the log'),
  unit: string()
    .oneOf(['', 'C', 'F'] as const, 'Choose °C or °F.')
    .default(''),
  /** Clocks of times that name no zone; empty for those of the site. */
  zone: optionalText('the time zone', 60),
  /** It is of this place whatever its name or its other readings say. */
  anyway: boolean().default(false),
});

/** Readings that come at once at most while a logger speaks live. */
export const MOST_LIVE = 1500;

/** Readings of a logger that speaks live: ms since 1970 and °C. */
export const liveInput = object({
  logger: optionalText('the name of the logger', 60),
  readings: array(
    object({
      at: number()
        .typeError('A reading without its time.')
        .required('A reading without its time.')
        .integer('A time is in whole milliseconds.'),
      value: number()
        .typeError('A reading that is no number.')
        .required('A reading that is no number.')
        .min(-60, 'A reading below -60 °C cannot be right.')
        .max(60, 'A reading above 60 °C cannot be right.'),
    }),
  )
    .required('No reading arrived.')
    .min(1, 'No reading arrived.')
    .max(MOST_LIVE, `Send ${MOST_LIVE} readings at once at most.`),
});

/** One of a batch that was opened to look. */
export const openedInput = object({
  kin: string()
    .oneOf([...KNITTING_KINS], 'Choose the kind from the list.')
    .required('Choose the kind from the list.'),
  /** The plant, where it was a keeper; a practice union is none. */
  plantId: optionalId('the plant'),
  on: isoDate('the day it was opened', SEEN_YEARS),
  callused: boolean().required('Say whether it was callused all round.'),
  note: optionalText('the note', 300),
});
export type OpenedInput = InferType<typeof openedInput>;
