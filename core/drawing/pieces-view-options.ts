import type { LengthUnit } from '../units/length';
import type { Growth } from './growth-paint';
import type { HandSign } from './hand-signs';
import type { ShownOn } from './scale-bar';
import type { StepFigure } from './step-figure';
import type { PiecesSide, Workpieces } from './workpieces';

export interface PiecesViewOptions {
  view: PiecesSide;
  unit: LengthUnit;
  /** Where it is looked at; a screen unless said. */
  shownOn?: ShownOn;
  /** The pieces one step earlier: what the knife did since is drawn as its path. */
  before?: Workpieces;
  figures?: StepFigure[];
  /** Figures to leave room for without drawing them, so that two drawings have one scale. */
  roomFor?: StepFigure[];
  /** The pieces as they should be, where these are wrong: drawn over them as a ghost, the daylight between named. */
  right?: Workpieces;
  /** What hand and eye do. */
  signs?: readonly HandSign[];
  /** What grew and what withered since, in the side view; and what a shoot is called. */
  growth?: Growth;
  growthNamed?: string | null;
  /** Way the blade goes. */
  pull?: 'up' | 'down';
  /** Places that points of the rubric are marked at, asked for by id. */
  anchors?: string[];
}
