import { ROUNDING } from '@/core/units/tolerance';
import { BUD_COUNTS } from '@/core/methods/bud-counts';
import type { Material } from '../../methods/material';
import type { Method } from '../../methods/method';
import type { Choices } from '../../methods/school';
import type { PlannedMethod } from '../dates/planned-method';
import { helicalTape } from './helical-tape';
import { howMany, type HowMany } from './how-many';
import type { TakeBelief } from '../../statistics/take-belief';

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
};

/** What one method of a plan takes. */
export interface MethodNeed {
  plan: PlannedMethod;
  method: Method;
  belief: TakeBelief;
  counts: HowMany;
  /** Grafts to make for keeping, and practice unions, of the whole group. */
  keepers: number;
  practice: number;
  stocks: number;
  graftsPerStick: number;
  sticks: number;
  /** Sticks for practice on prunings, of no value. */
  prunings: number;
}

export interface NeedInput {
  plan: PlannedMethod;
  method: Method;
  choices: Choices;
  belief: TakeBelief;
  people: number;
  settings: QuantitySettings;
}

/** Buds one graft takes: by school where there is one. */
export function budsPerGraft({ use, schools }: Method, choices: Choices): number {
  const school = schools.find(({ id }) => id === 'buds');
  return school ? (BUD_COUNTS.get(choices.buds ?? school.options[0]!.id) ?? use.takes.buds) : use.takes.buds;
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
export function methodNeed({ plan, method, choices, belief, people, settings }: NeedInput): MethodNeed {
  const counts = howMany({ keepers: plan.keepersEach, people, confidence: settings.confidence }, belief);
  const chosen = counts[settings.aim];
  if (chosen === null)
    throw new RangeError(
      `${method.name}: no number up to 60 each makes ${plan.keepersEach} living grafts that sure. Promise fewer, or ask for less confidence.`,
    );
  const keepers = settings.aim === 'pooled' ? chosen : chosen * people;
  const practice = plan.practiceEach * people;
  const perStick = graftsPerStick(
    settings.usableBuds,
    budsPerGraft(method, choices),
    method.use.takes.piece,
    settings.waste,
  );
  if (perStick === 0)
    throw new RangeError(
      `${method.name}: a stick of ${settings.usableBuds} usable buds gives no graft. Plan with longer sticks, or fewer buds on a scion.`,
    );
  const good = keepers + (plan.practiceOn === 'good' ? practice : 0);
  return {
    plan,
    method,
    belief,
    counts,
    keepers,
    practice,
    stocks: good,
    graftsPerStick: perStick,
    sticks: Math.ceil(good / perStick),
    prunings: plan.practiceOn === 'good' ? 0 : Math.ceil((2 * practice) / perStick),
  };
}

/** Material of one union at a caliper, tape by the helical formula. */
export function materialAmount(material: Material, diameter: number): number {
  return material.wrap ? helicalTape(material.wrap, diameter) : material.amount;
}
