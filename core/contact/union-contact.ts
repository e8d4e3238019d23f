/** A stretch of a line that touches, by the places where it starts and stops along that line. */
export interface LineRun {
  /** Which line: the whole outline, or a named edge. */
  line: string;
  /** mm along an edge; parameter angles of an outline, where `to` may pass 2 pi. */
  from: number;
  to: number;
  /** mm that touch. */
  length: number;
}

/** Contact of one union, whatever its model. Lengths mm. */
export interface UnionContact {
  /** Touching length over the whole length that could touch, 0 to 1. */
  contact: number;
  touching: number;
  whole: number;
  /** Side shares 0 to 1; of a top wedge its outer and inner edge, of an inlay its flanks. Null where a model has no sides. */
  left: number | null;
  right: number | null;
  runs: LineRun[];
  /** The same as arcs of a ring, parameter angles, right is 0 and up a quarter turn: what a glyph shows. */
  ring: { from: number; to: number }[];
  /** Something that is possible and hardly meant. */
  warning: string | null;
}
