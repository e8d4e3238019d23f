import { InputError } from '../../contact/input-error';
import { counted } from '../../units/counted';
import { formatDate, type IsoDate } from '../../units/iso-date';
import { ANYWHERE, type Place, PLACE_WORDS, sameSpot, type Spot, spotWords, type Standing } from './place';

/** A plant that is to be moved, and where it goes within the place. */
export interface MovingPlant {
  plantId: string;
  /** As its tag shows it. */
  code: string;
  /** The day its first union was made. */
  madeOn: IsoDate;
  /** Where it stands now; null where nobody said. */
  standing: Standing | null;
  spot: Spot;
}

/** A move of some plants to a place on a day; `to` is null where they are taken out of all places. */
export interface WantedMove {
  on: IsoDate;
  plants: readonly MovingPlant[];
  to: (Place & { standing: readonly (Standing & { code: string })[] }) | null;
}

/**
 * Refuses a move that cannot be: before a union was made or a plant came to where it stands, to a spot that is taken or
 * that the place has not, two plants to one spot, or more plants than the place holds. A move is done whole or not at all.
 *
 * @throws InputError in words that say what to do
 */
export function checkMove({ on, plants, to }: WantedMove): void {
  for (const { code, madeOn, standing } of plants) {
    if (on < madeOn)
      throw new InputError(
        'on',
        `${code} was made on ${formatDate(madeOn)}; it cannot have been moved before. Check the day.`,
      );
    if (standing && on < standing.since)
      throw new InputError(
        'on',
        `${code} stands where it is since ${formatDate(standing.since)}. Enter that day or a later one.`,
      );
  }
  if (!to) return;
  const moving = new Set(plants.map(({ plantId }) => plantId));
  const staying = to.standing.filter(({ plantId }) => !moving.has(plantId));
  for (const [i, { code, spot }] of plants.entries()) {
    checkSpot(spot, to);
    if (spot.row === null) continue;
    const taken = staying.find((other) => sameSpot(other.spot, spot));
    if (taken)
      throw new InputError(
        'spot',
        `${taken.code} stands in ${spotWords(spot)} of ${to.name}. Choose a free spot, or move that one first.`,
      );
    const twin = plants.slice(0, i).find((other) => sameSpot(other.spot, spot));
    if (twin)
      throw new InputError('spot', `${twin.code} and ${code} cannot both stand in ${spotWords(spot)} of ${to.name}.`);
  }
  checkRoom(plants.length, staying.length, to);
}

function checkRoom(coming: number, staying: number, { name, capacity }: Place): void {
  if (staying + coming <= capacity) return;
  const free = Math.max(0, capacity - staying);
  throw new InputError(
    'to',
    `${name} holds ${counted(capacity, 'plant')}; ${staying} ${staying === 1 ? 'is' : 'are'} in it and ${coming} would come. ` +
      (free > 0
        ? `Move ${free} of them, or say that it holds more.`
        : 'It is full: choose another, or say that it holds more.'),
  );
}

function checkSpot(spot: Spot, { name, kind, rows }: Place): void {
  if (sameSpot(spot, ANYWHERE)) return;
  if (spot.row !== null || spot.position !== null) {
    if (!rows) throw new InputError('spot', `${name} has no rows. Choose the place without a spot.`);
    if (spot.row === null || spot.position === null)
      throw new InputError('spot', 'A spot of a bed is a row and a number in it.');
    if (spot.row < 1 || spot.row > rows.count || spot.position < 1 || spot.position > rows.each)
      throw new InputError(
        'spot',
        `${name} has ${counted(rows.count, 'row')} of ${counted(rows.each, 'plant')}; there is no ${spotWords(spot)}.`,
      );
    return;
  }
  if (kind !== 'tree')
    throw new InputError('spot', `Limb and side are those of a tree; ${name} is a ${PLACE_WORDS[kind].toLowerCase()}.`);
}
