import { threeQuarterView } from '../drawing/body/three-quarter-view';
import type { DisplayList } from '../drawing/display-list';
import type { ShownOn } from '../drawing/scale-bar';
import type { Method, Wood } from '../methods/method';
import type { Choices } from '../methods/school';
import { piecesAfter } from '../methods/step';
import type { LengthUnit } from '../units/length';

/** A step as whoever cuts sees it, and gone wrong where that can be drawn. */
export interface StepBody {
  right: DisplayList;
  wrong: DisplayList | null;
}

/**
 * Ways to draw the steps of a method as bodies, one for each step, so that whoever has others to serve can do it step
 * by step: a drawing takes tens of milliseconds.
 *
 * @throws InputError when calipers are none the method can draw.
 */
export function stepBodies(
  method: Method,
  choices: Choices,
  wood: Wood,
  unit: LengthUnit,
  shownOn: ShownOn = 'screen',
): (() => StepBody)[] {
  const { start, steps } = method.technique(choices, wood);
  const pieces = piecesAfter(start, steps);
  return steps.map(({ pull, spoil, signs }, i) => () => {
    const options = { unit, shownOn, before: pieces[i]!, pull };
    return {
      right: threeQuarterView(pieces[i + 1]!, { ...options, signs }),
      wrong: spoil ? threeQuarterView(spoil(pieces[i]!), { ...options, right: pieces[i + 1]! }) : null,
    };
  });
}
