import type { DisplayList } from '../drawing/display-list';
import { piecesView } from '../drawing/pieces-view';
import type { Technique } from '../methods/method';
import { piecesAfter } from '../methods/step';
import type { LengthUnit } from '../units/length';
import { written } from '../units/prose';

/** A fault beside how it should be, as the step it comes from leaves the pieces. */
export interface FaultShown {
  /** What goes wrong there, and how that looks. */
  looks: string;
  right: DisplayList;
  wrong: DisplayList;
}

/** The step at which a point of the rubric goes wrong, drawn right and wrong; null where no step draws that fault. */
export function faultShown(
  { start, steps }: Pick<Technique, 'start' | 'steps'>,
  point: string,
  unit: LengthUnit,
): FaultShown | null {
  const at = steps.findIndex(({ wrong, spoil }) => wrong.point === point && spoil);
  if (at < 0) return null;
  const pieces = piecesAfter(start, steps.slice(0, at + 1));
  const { wrong, view, pull, spoil, signs } = steps[at]!;
  const options = { view, unit, before: pieces[at]!, pull };
  return {
    looks: `${written(wrong.what, unit)} ${written(wrong.looks, unit)}`,
    // Beside itself, so that both have the same room and the same scale.
    right: piecesView(pieces[at + 1]!, { ...options, signs, right: pieces[at + 1]! }),
    wrong: piecesView(spoil!(pieces[at]!), { ...options, right: pieces[at + 1]! }),
  };
}
