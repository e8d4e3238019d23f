import { meshKernel } from '@/core/drawing/body/body-mesh';
import { type BodyParts, bodyParts } from '@/core/drawing/body/body-parts';
import type { ShownOn } from '@/core/drawing/scale-bar';
import type { Wood } from '@/core/methods/method';
import { methodById } from '@/core/methods/registry';
import type { Choices } from '@/core/methods/school';
import { piecesAfter } from '@/core/methods/step';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import { type StepBody, stepBodies } from '@/core/teach/step-bodies';
import { stepSheets } from '@/core/teach/step-sheets';
import { formatLength, type LengthUnit } from '@/core/units/length';
import type { Paper } from '@/core/units/paper';
import { handoutPdf } from '@/exchange/pdf/handout';

/** A method as it is drawn: its id, the choices of schools, and the pair of wood. */
export interface DrawnMethod {
  method: string;
  choices: Choices;
  wood: Wood;
  unit: LengthUnit;
}

/** Every step of a method as bodies. */
export function drawSteps({ method, choices, wood, unit }: DrawnMethod, shownOn: ShownOn): StepBody[] {
  return stepBodies(methodById(method), choices, wood, unit, shownOn).map((draw) => draw());
}

/** The pieces after a step as meshes; `at` counts steps from 0. */
export async function meshStep({ method, choices, wood }: DrawnMethod, at: number): Promise<BodyParts> {
  const { start, steps } = methodById(method).technique(choices, wood);
  return bodyParts(await meshKernel(), piecesAfter(start, steps)[at + 1]!);
}

/** The handout of a method as PDF. */
export function printHandout(
  drawn: DrawnMethod,
  { rule, bodies, paper }: { rule: ScoringRule; bodies: readonly StepBody[]; paper: Paper },
): Promise<Buffer> {
  const { choices, wood, unit } = drawn;
  const method = methodById(drawn.method);
  return handoutPdf(
    {
      method,
      unit,
      rule,
      bodies,
      technique: method.technique(choices, wood),
      steps: stepSheets(method, choices, wood, unit, 'paper'),
      drawnFor: `drawn for ${formatLength(wood.scion, unit)} on ${formatLength(wood.stock, unit)}`,
    },
    paper,
  );
}
