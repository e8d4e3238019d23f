import type { Method } from '../methods/method';
import type { Choices } from '../methods/school';
import { woodOf } from '../methods/shown-technique';
import type { LengthUnit } from '../units/length';
import { type StepSheet, stepSheets } from './step-sheets';

/** A step of a day, with the method it is of. */
export interface DayStep extends StepSheet {
  method: string;
}

/**
 * The steps of all that a day teaches, one method after the other, as a projector goes through them.
 *
 * @param methods in the order they are taught.
 */
export function daySteps(methods: readonly Method[], choices: Choices, unit: LengthUnit): DayStep[] {
  return methods.flatMap((method) =>
    stepSheets(method, choices, woodOf(method.shownWith), unit).map((step) => ({
      ...step,
      // Methods have steps in common.
      id: methods.length > 1 ? `${method.id}-${step.id}` : step.id,
      method: method.name,
    })),
  );
}
