import { MILESTONES, type Milestone } from '../../methods/milestones';
import { groupedBy } from '../../units/grouped-by';
import { type KeeperFact, stateAt, statesAt } from '../facts/keeper-fact';
import { TAKE_KINDS, takeBy, type TakeKind } from '../facts/take-by';
import { takeOfPlants, type TakeOfPlants, takeOfStates } from '../take/take-of-plants';
import type { TakeRate } from '../take/take-rate';
import type { TakeMark } from './board-views';

/** A level of a kind with its take, and its keepers one by one; null where there are too many to be seen so. */
export interface CountedLevel {
  level: string;
  take: TakeRate;
  marks: TakeMark[] | null;
}

/** What a board of take is made of. */
export interface TakeParts {
  keepers: number;
  /** Lots that the keepers are of. */
  lotIds: string[];
  whole: TakeOfPlants;
  milestones: Record<Milestone, TakeRate>;
  kinds: Record<TakeKind, CountedLevel[]>;
  reminded: { alive: number; dead: number };
  /** Take of each method, workshop by workshop. */
  runs: Map<string, Map<string, TakeRate>>;
}

/** Parts of a board from keepers that were read one by one, each a mark with its fate. */
export function takePartsOfFacts(facts: readonly KeeperFact[], milestone: Milestone | null): TakeParts {
  const takeOf = (some: readonly KeeperFact[]): TakeRate => takeOfStates(statesAt(some, milestone));
  const reminded = takeOf(facts.filter((fact) => fact.reminded));
  return {
    keepers: facts.length,
    lotIds: [...new Set(facts.flatMap(({ woodLotId }) => woodLotId ?? []))],
    whole: takeOfPlants(
      facts.flatMap((fact) => {
        const state = stateAt(fact, milestone);
        return state ? [{ plant: fact.plantId, variety: fact.woodLotId ? fact.variety : null, state }] : [];
      }),
    ),
    milestones: Object.fromEntries(
      MILESTONES.map((each) => [each, takeOfStates(statesAt(facts, each))]),
    ) as TakeParts['milestones'],
    kinds: Object.fromEntries(
      TAKE_KINDS.map((kind) => [
        kind,
        takeBy(facts, kind, takeOf).map(({ level, take, members }) => ({
          level,
          take,
          marks: members.flatMap((fact) => markOf(fact, milestone) ?? []),
        })),
      ]),
    ) as TakeParts['kinds'],
    reminded: { alive: reminded.alive, dead: reminded.dead },
    runs: new Map(
      [...groupedBy(facts, ({ method }) => method)].map(([method, own]) => [
        method,
        new Map([...groupedBy(own, ({ workshopId }) => workshopId)].map(([id, made]) => [id, takeOf(made)])),
      ]),
    ),
  };
}

function markOf(fact: KeeperFact, milestone: Milestone | null): TakeMark | null {
  const state = stateAt(fact, milestone);
  return state && { unionId: fact.unionId, called: fact.called, href: fact.href, state };
}
