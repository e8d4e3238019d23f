import type { Method } from '../methods/method';
import type { Choices } from '../methods/school';
import { woodOf } from '../methods/shown-technique';
import type { LengthUnit } from '../units/length';
import type { StepBody } from './step-bodies';
import { type StepSheet, stepSheets } from './step-sheets';

/** A step of a day, with the method it is of. */
export interface DayStep extends StepSheet {
  method: string;
  /** The same without words, as questions are noted at them. */
  methodId: string;
  stepId: string;
  /** The step as a body, where those were drawn. */
  body: StepBody | null;
}

/**
 * The steps of all that a day teaches, one method after the other, as a projector goes through them.
 *
 * @param methods in the order they are taught.
 * @param bodies the steps of each method as bodies, where those were drawn.
 */
export function daySteps(
  methods: readonly Method[],
  choices: Choices,
  unit: LengthUnit,
  bodies: readonly (readonly StepBody[])[] = [],
): DayStep[] {
  return methods.flatMap((method, m) =>
    stepSheets(method, choices, woodOf(method.shownWith), unit).map((step, i) => ({
      ...step,
      body: bodies[m]?.[i] ?? null,
      // Methods have steps in common.
      id: methods.length > 1 ? `${method.id}-${step.id}` : step.id,
      method: method.name,
      methodId: method.id,
      stepId: step.id,
    })),
  );
}
