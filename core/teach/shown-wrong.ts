import type { DisplayList } from '../drawing/display-list';
import type { StepBody } from './step-bodies';
import type { StepSheet } from './step-sheets';

/**
 * What a step gone wrong is shown as: cut through where that shows daylight, else as whoever cuts sees it.
 *
 * @param body the step as a body, where that was drawn.
 * @returns null where it cannot be drawn; with the same view of it gone right.
 */
export function shownWrong(
  { drawing, wrongDrawing }: Pick<StepSheet, 'drawing' | 'wrongDrawing'>,
  body: StepBody | null,
): { right: DisplayList; wrong: DisplayList } | null {
  const lacks = wrongDrawing?.items.some(({ role }) => role === 'daylight') ?? false;
  if (body?.wrong && !lacks) return { right: body.right, wrong: body.wrong };
  return wrongDrawing && { right: drawing, wrong: wrongDrawing };
}
