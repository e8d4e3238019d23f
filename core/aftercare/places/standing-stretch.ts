import { InputError } from '../../contact/input-error';
import { counted } from '../../units/counted';
import { inRow, type Place, type Rows, sameSpot, type Spot, spotWords } from './place';
import { spotsOf, type Stretch, stretchWords } from './stretch';

/**
 * Those that stand along a stretch of a bed, in planting order.
 *
 * @param gapsToo those that are there are meant, whatever is missing between them
 * @throws InputError in words where a spot of the stretch is empty, naming it, or where nobody stands along it
 */
export function standingAlong<Plant extends { spot: Spot }>(
  stretch: Stretch,
  place: Pick<Place, 'name'> & { rows: Pick<Rows, 'count' | 'each'> | null },
  standing: readonly Plant[],
  gapsToo = false,
): Plant[] {
  const spots = spotsOf(stretch, place).map(inRow);
  const found = spots.map((spot) => standing.find((plant) => sameSpot(plant.spot, spot)) ?? null);
  const there = found.filter((plant): plant is Plant => plant !== null);
  if (there.length === 0)
    throw new InputError('stretch', `Nobody stands in ${stretchWords(stretch)} of ${place.name}.`);
  const gaps = spots.filter((_, i) => found[i] === null);
  if (gaps.length > 0 && !gapsToo) {
    const named = gaps.slice(0, 3).map(spotWords).join('; ');
    throw new InputError(
      'gap',
      `${counted(gaps.length, 'spot')} of ${stretchWords(stretch)} ${gaps.length === 1 ? 'is' : 'are'} empty (${named}${gaps.length > 3 ? '; …' : ''}). ` +
        `Nothing was moved: say that the ${there.length} that stand there are meant, or type the stretch again.`,
    );
  }
  return there;
}
