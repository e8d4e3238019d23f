import { InputError } from '../../contact/input-error';
import { counted } from '../../units/counted';
import { inRow, type Place, type Rows, sameSpot, type Spot, spotWords } from './place';
import { spotsOf, type Stretch, stretchWords } from './stretch';

type Bed = Pick<Place, 'name'> & { rows: Pick<Rows, 'count' | 'each'> | null };

/**
 * The spots of a stretch for as many plants, in planting order.
 *
 * @throws InputError in words where the stretch has more or fewer spots than there are plants
 */
export function spotsFor(count: number, stretch: Stretch, bed: Bed): Spot[] {
  const spots = spotsOf(stretch, bed).map(inRow);
  if (spots.length !== count)
    throw new InputError(
      'stretch',
      `${stretchWords(stretch)} of ${bed.name} has ${counted(spots.length, 'spot')}, for ${counted(count, 'plant')}. Type a stretch of ${count}.`,
    );
  return spots;
}

/**
 * Spots from one on for as many plants, row by row, one plant beside the other.
 *
 * @param taken spots that are not free
 * @throws InputError in words where one of them is taken, or where the bed ends before
 * @example spotsFrom(inRow({ row: 1, position: 24 }), 2, bed, []) // row 1, 24 and row 1, 25
 */
export function spotsFrom(from: Spot, count: number, bed: Bed, taken: readonly Spot[]): Spot[] {
  const { name, rows } = bed;
  if (!rows || from.row === null || from.position === null) throw new InputError('place', `${name} has no rows.`);
  const first = (from.row - 1) * rows.each + from.position - 1;
  if (first + count > rows.count * rows.each)
    throw new InputError(
      'stretch',
      `From ${spotWords(from)} on ${name} has ${counted(rows.count * rows.each - first, 'spot')}, for ${counted(count, 'plant')}.`,
    );
  return Array.from({ length: count }, (_, i) => {
    const at = first + i;
    const spot = inRow({ row: Math.floor(at / rows.each) + 1, position: (at % rows.each) + 1 });
    if (taken.some((other) => sameSpot(other, spot)))
      throw new InputError(
        'stretch',
        `${spotWords(spot)} of ${name} is taken. Choose a stretch of ${count} that is free.`,
      );
    return spot;
  });
}
