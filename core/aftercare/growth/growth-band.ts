import { quantile } from '../../statistics/quantile';
import { kinOf } from '../../methods/compatibility/compatibility';

/** A height that was measured, and of what. */
export interface MeasuredShoot {
  unionId: string;
  variety: string;
  species: string;
  stockType: string;
  /** Method and variant: a bud that slept is not measured by a scion that grew at once. */
  made: string;
  /** Days from the making to the measuring. */
  age: number;
  mm: number;
}

/** Between what heights the middle half of a plant's like lie at its age. */
export interface GrowthBand {
  low: number;
  middle: number;
  high: number;
  plants: number;
  /** The same variety on the same stock, or all of its kin. */
  among: 'variety' | 'kin';
  place: 'below' | 'within' | 'above';
}

/** So few plants make no band. */
const LEAST_PLANTS = 10;
/** Heights measured so many days before or after the same age stand beside each other. */
const SAME_AGE_DAYS = 14;

/**
 * Where the height of a plant lies among its like of the club at the same age: the same variety on the same stock from ten
 * plants on, before that all of its kin; null where there are fewer of either.
 *
 * @param all heights of the club, this plant's among them
 */
export function growthBand(own: MeasuredShoot, all: readonly MeasuredShoot[]): GrowthBand | null {
  const kin = kinOf(own.species);
  const near = all.filter(
    ({ unionId, made, age }) =>
      unionId !== own.unionId && made === own.made && Math.abs(age - own.age) <= SAME_AGE_DAYS,
  );
  const sameVariety = onePerPlant(
    near.filter(({ variety, stockType }) => variety === own.variety && stockType === own.stockType),
    own.age,
  );
  if (sameVariety.length >= LEAST_PLANTS) return band(own.mm, sameVariety, 'variety');
  const sameKin = onePerPlant(
    near.filter(({ species }) => (kin === null ? species === own.species : kinOf(species) === kin)),
    own.age,
  );
  return sameKin.length >= LEAST_PLANTS ? band(own.mm, sameKin, 'kin') : null;
}

/** Of several heights of a plant the one nearest in age. */
function onePerPlant(shoots: readonly MeasuredShoot[], age: number): number[] {
  const nearest = new Map<string, MeasuredShoot>();
  for (const shoot of shoots) {
    const known = nearest.get(shoot.unionId);
    if (!known || Math.abs(shoot.age - age) < Math.abs(known.age - age)) nearest.set(shoot.unionId, shoot);
  }
  return [...nearest.values()].map(({ mm }) => mm);
}

function band(mm: number, heights: readonly number[], among: GrowthBand['among']): GrowthBand {
  const sorted = [...heights].sort((a, b) => a - b);
  // Nobody measures a shoot to less than a millimetre.
  const [low, middle, high] = [0.25, 0.5, 0.75].map((share) => Math.round(quantile(sorted, share)!)) as [
    number,
    number,
    number,
  ];
  return {
    low,
    middle,
    high,
    plants: heights.length,
    among,
    place: mm < low ? 'below' : mm > high ? 'above' : 'within',
  };
}
