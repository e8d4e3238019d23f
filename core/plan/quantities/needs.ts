import { ROUNDING } from '@/core/units/tolerance';
import type { Method, Technique, Wood } from '../../methods/method';
import { woodOf } from '../../methods/shown-technique';
import { type StumpRow, stumpRow } from '../../methods/stump-scions';
import type { Choices } from '../../methods/school';
import type { PlannedMethod } from '../dates/planned-method';
import { piecesWithSpoiled, type SpoilRate } from './spoiled-cuts';
import { howMany, type HowMany } from './how-many';
import { expectedTake, newWorkshopTake, takeQuantile, type WorkshopTake } from './new-workshop-take';

/** Figures of the plan that are nobody's but the club's. */
export interface QuantitySettings {
  confidence: number;
  /** Which of the three counts is made. */
  aim: 'each' | 'everybody' | 'pooled';
  usableBuds: number;
  /** Share of a stick lost to heel, tip and trimming when scions are cut from it. */
  waste: number;
  practiceWrapped: boolean;
  peoplePerBench: number;
  /** Percent of chlorine in the bottle; the litres of disinfectant a bench gets. */
  bottle: number;
  disinfectant: number;
  /** Scions by the size of the stump, by method; the method's own rows where there are none. */
  stumps: Record<string, StumpRow[]>;
}

export const USUAL_SETTINGS: QuantitySettings = {
  confidence: 0.9,
  aim: 'each',
  usableBuds: 8,
  waste: 0.25,
  practiceWrapped: false,
  peoplePerBench: 4,
  bottle: 5,
  disinfectant: 1,
  stumps: {},
};

/** What one method of a plan takes. */
export interface MethodNeed {
  plan: PlannedMethod;
  method: Method;
  /** Take believed of this workshop, with 5 and 95 % of the belief. */
  take: { expected: number; low: number; high: number };
  counts: HowMany;
  /** Grafts to make for keeping, and practice unions, of the whole group. */
  keepers: number;
  practice: number;
  stocks: number;
  /** Pieces of scion wood that go on each stock, and how many of them are kept when they live. */
  piecesEach: number;
  keptEach: number;
  graftsPerStick: number;
  sticks: number;
  /** Pieces of wood that are cut, with those that spoil. */
  pieces: number;
  spoils: SpoilRate;
  /** Sticks for practice on prunings, of no value. */
  prunings: number;
  /** What one of them is made of, by the schools and the size of the stump. */
  technique: Technique;
  wood: Wood;
}

export interface NeedInput {
  plan: PlannedMethod;
  method: Method;
  choices: Choices;
  /** Earlier workshops that its take is believed by. */
  history: readonly WorkshopTake[];
  /** Cuts that spoil their wood: it is there for them as well. */
  spoils: SpoilRate;
  people: number;
  settings: QuantitySettings;
}

/** The wood a planned method is reckoned with: its usual pair, on stumps of the size and with the scions of the plan. */
function plannedWood({ plan, method, settings }: NeedInput): { wood: Wood; row: StumpRow | null } {
  if (!method.stumps) return { wood: woodOf(method.shownWith), row: null };
  const stock = plan.stump ?? method.shownWith.stock;
  const row = stumpRow(settings.stumps[method.id] ?? method.stumps, stock);
  return { wood: { ...woodOf({ ...method.shownWith, stock }), scions: row.set }, row };
}

/**
 * Grafts from one stick. A tip is a graft of itself; buds are taken one by one and those not usable are counted out
 * already, so waste is of scions only.
 *
 * @example graftsPerStick(8, 2, 'scion', 0.25) // 3
 */
export function graftsPerStick(
  usableBuds: number,
  buds: number,
  piece: 'scion' | 'bud' | 'tip',
  waste: number,
): number {
  if (piece === 'tip') return 1;
  return Math.max(0, Math.floor((usableBuds / buds) * (piece === 'scion' ? 1 - waste : 1) + ROUNDING));
}

/** @throws RangeError for nobody, or sticks without a usable graft. */
export function methodNeed(input: NeedInput): MethodNeed {
  const { plan, method, choices, history, spoils, people, settings } = input;
  const take = newWorkshopTake(history);
  const counts = howMany({ keepers: plan.keepersEach, people, confidence: settings.confidence }, take);
  const chosen = counts[settings.aim];
  if (chosen === null)
    throw new RangeError(
      `${method.name}: no number up to 60 each makes ${plan.keepersEach} living grafts that sure. Promise fewer, or ask for less confidence.`,
    );
  const keepers = settings.aim === 'pooled' ? chosen : chosen * people;
  const practice = plan.practiceEach * people;
  const { wood, row } = plannedWood(input);
  const technique = method.technique(choices, wood);
  const { pieces, buds } = technique.takes;
  const perStick = graftsPerStick(settings.usableBuds, buds, method.use.takes.piece, settings.waste);
  if (perStick === 0)
    throw new RangeError(
      `${method.name}: a stick of ${settings.usableBuds} usable buds gives no graft. Plan with longer sticks, or fewer buds on a scion.`,
    );
  const good = keepers + (plan.practiceOn === 'good' ? practice : 0);
  const cut = piecesWithSpoiled(good * pieces, spoils.share);
  return {
    plan,
    method,
    take: { expected: expectedTake(take), low: takeQuantile(take, 0.05), high: takeQuantile(take, 0.95) },
    counts,
    keepers,
    practice,
    stocks: good,
    piecesEach: pieces,
    keptEach: row ? Math.min(pieces, row.keep) : 1,
    graftsPerStick: perStick,
    sticks: Math.ceil(cut / perStick),
    pieces: cut,
    spoils,
    technique,
    wood,
    prunings: plan.practiceOn === 'good' ? 0 : Math.ceil((2 * practice) / perStick),
  };
}
