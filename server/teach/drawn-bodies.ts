import type { ShownOn } from '@/core/drawing/scale-bar';
import type { Method, Wood } from '@/core/methods/method';
import { type Choices, chosen } from '@/core/methods/school';
import type { StepBody } from '@/core/teach/step-bodies';
import type { LengthUnit } from '@/core/units/length';
import { runJob } from '@/server/jobs/run-job';
import { keepLatest } from '@/server/platform/keep-latest';

/** Drawings of so many methods are kept, each about half a megabyte. */
const drawn = keepLatest<StepBody[]>('drawn steps', 16_000_000);

const keyOf = (method: Method, choices: Choices, wood: Wood, unit: LengthUnit, shownOn: ShownOn): unknown => [
  method.id,
  method.schools.map((question) => chosen(choices, question)),
  wood,
  unit,
  shownOn,
];

/**
 * The steps of a method drawn as bodies: in a thread, and once for all who ask for the same wood and schools.
 */
export function drawnBodies(
  method: Method,
  choices: Choices,
  wood: Wood,
  unit: LengthUnit,
  shownOn: ShownOn = 'screen',
): Promise<StepBody[]> {
  return drawn.get(keyOf(method, choices, wood, unit, shownOn), () =>
    runJob('draw steps', [{ method: method.id, choices, wood, unit }, shownOn]),
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
