import type { Place } from './piece-outline';
import type { PiecesSide } from './workpieces';

/** A figure of a step. Drawn ones say where they lie, on a piece in a view. */
export interface StepFigure {
  name: string;
  mm: number;
  /** A range that is as good, mm. */
  range?: { from: number; to: number };
  /** The ends it is measured between, and how far beside the wood the dimension stands, mm. */
  dimension?: { piece: 'stock' | 'scion'; view: PiecesSide; from: Place; to: Place; off?: number };
}
