import { InputError } from '../../contact/input-error';
import type { BedSpot, Place, Rows } from './place';

/** Plants in one row, first and last included. */
export interface Stretch {
  row: number;
  from: number;
  to: number;
}

const FORM = /^(?:row\s*)?(\d{1,3})\s*(?:,|:|\/)\s*(\d{1,4})(?:\s*(?:to|-|–|\.\.)\s*(\d{1,4}))?$/i;

/**
 * A stretch of a bed as it is typed: the row, and from which plant to which.
 *
 * @throws InputError in words when it cannot be read, runs backwards, or is longer than a row can be
 * @example parseStretch('row 3, 4 to 12') // { row: 3, from: 4, to: 12 }
 * @example parseStretch('3: 7') // { row: 3, from: 7, to: 7 }
 */
export function parseStretch(text: string): Stretch {
  const found = FORM.exec(text.trim());
  if (!found)
    throw new InputError('stretch', 'Type a stretch like “row 3, 4 to 12”: the row, and from which plant to which.');
  const [row, from] = [Number(found[1]), Number(found[2])];
  const to = found[3] === undefined ? from : Number(found[3]);
  if (row < 1 || from < 1) throw new InputError('stretch', 'Rows and plants are counted from 1.');
  if (to < from) throw new InputError('stretch', `The stretch runs backwards: did you mean ${to} to ${from}?`);
  return { row, from, to };
}

/**
 * The spots of a stretch in a bed, in planting order.
 *
 * @throws InputError when the bed has no such row, or the row ends before
 */
export function spotsOf(
  { row, from, to }: Stretch,
  { name, rows }: Pick<Place, 'name'> & { rows: Pick<Rows, 'count' | 'each'> | null },
): BedSpot[] {
  if (!rows) throw new InputError('place', `${name} has no rows. Choose a bed, or move plants singly.`);
  if (row > rows.count)
    throw new InputError(
      'stretch',
      `${name} has ${rows.count} ${rows.count === 1 ? 'row' : 'rows'}, and no row ${row}.`,
    );
  if (to > rows.each)
    throw new InputError('stretch', `A row of ${name} has ${rows.each} plants; ${to} is past its end.`);
  return Array.from({ length: to - from + 1 }, (_, i) => ({ row, position: from + i }));
}

/** A stretch as people say it. @example stretchWords({ row: 3, from: 4, to: 12 }) // 'row 3, 4 to 12' */
export function stretchWords({ row, from, to }: Stretch): string {
  return from === to ? `row ${row}, ${from}` : `row ${row}, ${from} to ${to}`;
}
