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
  const takeOfAll = (groups: readonly UnionOnPlant[][]): TakeRate =>
    takeOfStates(groups.map((own) => stateOfSeveral(takeOfStates(own.map(({ state }) => state)))));
  return {
    unions: takeOfStates(unions.map(({ state }) => state)),
    plants: takeOfAll(plants),
    varieties: named.length === 0 ? null : takeOfAll(varieties),
  };
}

/** Take of some that are alive, dead or unknown. */
export function takeOfStates(states: readonly TakeState[]): TakeRate {
  const count = (state: TakeState): number => states.filter((other) => other === state).length;
  return takeRate({ handedOver: states.length, alive: count('alive'), dead: count('dead') });
}

/** What is known of several together: alive with one of them, dead with all of them. */
export function stateOfSeveral({ alive, dead, handedOver }: TakeRate): TakeState {
  if (alive > 0) return 'alive';
  return handedOver > 0 && dead === handedOver ? 'dead' : 'unknown';
}
