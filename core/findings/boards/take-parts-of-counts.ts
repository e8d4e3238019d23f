import { MILESTONES, type Milestone } from '../../methods/milestones';
import { groupedBy } from '../../units/grouped-by';
import { type KeepersAlike, remindedOfAlike, takeOfAlike } from '../facts/keepers-alike';
import { TAKE_KINDS, takeBy } from '../facts/take-by';
import { stateOfSeveral, takeOfStates } from '../take/take-of-plants';
import { type TakeRate, takeRate } from '../take/take-rate';
import type { TakeParts } from './take-parts';

/** Unions on a plant that carries several, counted. */
export type OnOnePlant = KeepersAlike & { plantId: string };

/** Keepers of a filter, counted three ways: by lot and day, by hand, and by plant where one carries several. */
export interface KeeperCounts {
  byLot: KeepersAlike[];
  byHand: KeepersAlike[];
  byPlant: OnOnePlant[];
}

/** Parts of a board from counts: as from single keepers, but nobody is seen one by one. */
export function takePartsOfCounts(counts: KeeperCounts, milestone: Milestone | null): TakeParts {
  const { byLot, byHand } = counts;
  const takeOf = (some: readonly KeepersAlike[]): TakeRate => takeOfAlike(some, milestone);
  const unions = takeOf(byLot);
  return {
    keepers: byLot.reduce((sum, { keepers }) => sum + keepers, 0),
    lotIds: [...new Set(byLot.flatMap(({ woodLotId }) => woodLotId ?? []))],
    whole: { unions, plants: plantsOf(unions, counts, milestone), varieties: varietiesOf(byLot, milestone) },
    milestones: Object.fromEntries(
      MILESTONES.map((each) => [each, takeOfAlike(byLot, each)]),
    ) as TakeParts['milestones'],
    kinds: Object.fromEntries(
      TAKE_KINDS.map((kind) => [
        kind,
        takeBy(kind === 'hand' ? byHand : byLot, kind, takeOf).map(({ level, take }) => ({ level, take, marks: null })),
      ]),
    ) as TakeParts['kinds'],
    reminded: remindedOfAlike(byLot, milestone),
    runs: new Map(
      [...groupedBy(byLot, ({ method }) => method)].map(([method, own]) => [
        method,
        new Map([...groupedBy(own, ({ workshopId }) => workshopId)].map(([id, made]) => [id, takeOf(made)])),
      ]),
    ),
  };
}

/** A union that is alone on its plant is as its plant; of the others the plants are counted. */
function plantsOf(unions: TakeRate, { byPlant }: KeeperCounts, milestone: Milestone | null): TakeRate {
  const several = takeOfAlike(byPlant, milestone);
  const plants = takeOfStates(
    [...groupedBy(byPlant, ({ plantId }) => plantId).values()]
      .map((own) => takeOfAlike(own, milestone))
      .filter(({ handedOver }) => handedOver > 0)
      .map(stateOfSeveral),
  );
  return takeRate({
    handedOver: unions.handedOver - several.handedOver + plants.handedOver,
    alive: unions.alive - several.alive + plants.alive,
    dead: unions.dead - several.dead + plants.dead,
  });
}

function varietiesOf(byLot: readonly KeepersAlike[], milestone: Milestone | null): TakeRate | null {
  const named = byLot.filter(({ woodLotId, variety }) => woodLotId && variety !== null);
  const states = [...groupedBy(named, ({ variety }) => variety!).values()]
    .map((own) => takeOfAlike(own, milestone))
    .filter(({ handedOver }) => handedOver > 0)
    .map(stateOfSeveral);
  return states.length === 0 ? null : takeOfStates(states);
}
