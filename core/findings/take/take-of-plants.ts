import { groupedBy } from '../../units/grouped-by';
import { takeRate, type TakeRate } from './take-rate';
import type { TakeState } from './take-state';

/** A union on its plant. */
export interface UnionOnPlant {
  plant: string;
  state: TakeState;
  /** The variety that was to be kept; null where nobody says. */
  variety: string | null;
}

export interface TakeOfPlants {
  unions: TakeRate;
  plants: TakeRate;
  /** Varieties saved: alive on one plant at least. Null where no union says its variety. */
  varieties: TakeRate | null;
}

/**
 * Take of unions, of plants and of varieties: a plant lives if one of its unions lives, is dead if all of them are, and
 * else is unknown; a variety likewise by its plants.
 *
 * @example takeOfPlants([{ plant: 'a', state: 'alive', … }, { plant: 'a', state: 'dead', … }]).plants.alive // 1
 */
export function takeOfPlants(unions: readonly UnionOnPlant[]): TakeOfPlants {
  const plants = [...groupedBy(unions, ({ plant }) => plant).values()];
  const named = unions.filter(({ variety }) => variety !== null);
  const varieties = [...groupedBy(named, ({ variety }) => variety!).values()];
  return {
    unions: takeOfStates(unions.map(({ state }) => state)),
    plants: takeOfStates(plants.map(stateOfAll)),
    varieties: named.length === 0 ? null : takeOfStates(varieties.map(stateOfAll)),
  };
}

/** Take of some that are alive, dead or unknown. */
export function takeOfStates(states: readonly TakeState[]): TakeRate {
  const count = (state: TakeState): number => states.filter((other) => other === state).length;
  return takeRate({ handedOver: states.length, alive: count('alive'), dead: count('dead') });
}

function stateOfAll(unions: readonly UnionOnPlant[]): TakeState {
  if (unions.some(({ state }) => state === 'alive')) return 'alive';
  return unions.every(({ state }) => state === 'dead') ? 'dead' : 'unknown';
}
