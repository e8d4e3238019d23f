import type { HandSign } from '../drawing/hand-signs';
import type { StepFigure } from '../drawing/step-figure';
import type { CoverKind, PiecesSide, Workpieces } from '../drawing/workpieces';
import type { Prose } from '../units/prose';
import type { CautionId } from './cautions';

/** One action of the hands. */
export interface Step {
  id: string;
  /** The action, as one says it. */
  action: Prose;
  figures: StepFigure[];
  /** What to look for when it is done. */
  lookFor: Prose;
  /** What goes wrong, how that looks, and the id of the point a union loses by it. */
  wrong: { what: Prose; looks: Prose; point?: string };
  caution: CautionId | null;
  /** Set on a step people forget: what cannot be done any more without it. */
  blocks: Prose | null;
  /** At the step that wraps a union: with what, and what becomes of a bud within the wrap; null where none lies there. */
  wraps?: { with: CoverKind; bud: 'clear' | 'covered' | null };
  /** The view that shows it best. */
  view: PiecesSide;
  /** Way the blade goes. */
  pull?: 'up' | 'down';
  /** True when nothing is cut, fitted or put on. */
  noCut?: boolean;
  /** What hand and eye do at it, drawn over the pieces: where nothing is cut, that is what there is to see. */
  signs?: HandSign[];
  /** True when after it the pieces are one. */
  joins?: boolean;
  /** The pieces after it. */
  apply: (pieces: Workpieces) => Workpieces;
  /** The pieces after it when it goes wrong. */
  spoil?: (pieces: Workpieces) => Workpieces;
}

/**
 * The pieces before the first step and after each one.
 *
 * @returns one more than there are steps.
 */
export function piecesAfter(start: Workpieces, steps: Step[]): Workpieces[] {
  return steps.reduce<Workpieces[]>((all, step) => [...all, step.apply(all.at(-1)!)], [start]);
}
