import { array, boolean, type InferType, object } from 'yup';
import { id, optionalId, optionalText } from '../../inputs/fields';
import { movedOn, SPOT_FIELDS } from './place-input';

/** Plants that are moved at once at most: a large bed. */
export const MOST_MOVED = 5000;

/**
 * One move: some plants to a place, or out of all. `from` says where each stood when whoever moves it looked: had somebody
 * else moved it meanwhile, nothing is moved.
 */
export const moveInput = object({
  moves: array(
    object({
      plantId: id('a plant'),
      from: object({ placeId: id('where it stands'), ...SPOT_FIELDS })
        .nullable()
        .default(null),
      to: object(SPOT_FIELDS),
    }),
  )
    .required('Choose at least one plant.')
    .min(1, 'Choose at least one plant.')
    .max(MOST_MOVED, `Move ${MOST_MOVED} plants at once at most.`),
  toPlaceId: optionalId('where they go'),
  on: movedOn('the day they were moved'),
  note: optionalText('the note', 200),
  /** With this move they come to the club, or go home with their growers; left out, whoever has them keeps them. */
  withUs: boolean().strict().optional().default(undefined),
});
export type MoveInput = InferType<typeof moveInput>;
