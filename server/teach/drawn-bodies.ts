import { setImmediate } from 'node:timers/promises';
import type { ShownOn } from '@/core/drawing/scale-bar';
import type { Method, Wood } from '@/core/methods/method';
import type { Choices } from '@/core/methods/school';
import { type StepBody, stepBodies } from '@/core/teach/step-bodies';
import type { LengthUnit } from '@/core/units/length';
import { keepLatest } from '@/server/platform/keep-latest';

/** Drawings of so many methods are kept, each about half a megabyte. */
const drawn = keepLatest<StepBody[]>('drawn steps', 16_000_000);

const keyOf = (method: Method, choices: Choices, wood: Wood, unit: LengthUnit, shownOn: ShownOn): unknown => [
  method.id,
  method.schools.map(({ id }) => choices[id] ?? ''),
  wood,
  unit,
  shownOn,
];

/**
 * The steps of a method drawn as bodies; drawn once for all who ask for the same wood and schools, and step by step,
 * so that others are answered in between.
 */
export function drawnBodies(
  method: Method,
  choices: Choices,
  wood: Wood,
  unit: LengthUnit,
  shownOn: ShownOn = 'screen',
): Promise<StepBody[]> {
  return drawn.get(keyOf(method, choices, wood, unit, shownOn), () =>
    drawOneByOne(stepBodies(method, choices, wood, unit, shownOn)),
  );
}

/**
 * The same for whoever is not signed in: what a member has had drawn, else null. Drawing is dear, and nobody outside
 * may have the server do it for any caliper they think of.
 */
export function bodiesDrawnAlready(
  method: Method,
  choices: Choices,
  wood: Wood,
  unit: LengthUnit,
): Promise<StepBody[]> | null {
  return drawn.peek(keyOf(method, choices, wood, unit, 'screen'));
}

async function drawOneByOne(steps: readonly (() => StepBody)[]): Promise<StepBody[]> {
  const bodies: StepBody[] = [];
  for (const draw of steps) {
    await setImmediate();
    bodies.push(draw());
  }
  return bodies;
}
