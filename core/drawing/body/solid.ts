import type { Frame } from './frame';

/** What the surface of a solid shows where one sees it. */
export type Surface = 'bark' | 'cut' | 'kerf' | 'bared' | 'break' | 'bud' | 'flap' | 'wrap' | 'seal' | 'foil';

/** Turned round an upright axis: its radius by height, straight between; heights rise. */
export interface Lathe {
  kind: 'lathe';
  profile: readonly (readonly [y: number, radius: number])[];
}

/** An outline pushed through: one of (u, y) along w, of (w, y) along u, or of (u, w) along y. It does not cross itself. */
export interface Prism {
  kind: 'prism';
  along: 'u' | 'w' | 'y';
  outline: readonly (readonly [across: number, up: number])[];
  from: number;
  to: number;
}

/** A part of a body, mm. */
export interface Solid {
  shape: Lathe | Prism;
  shows: Surface;
  /** Where it lies on the piece, when not where it was made. */
  frame?: Frame;
  /** What it leaves standing of the piece: the wood under bark that comes off. */
  but?: readonly (Lathe | Prism)[];
}

/** A piece as a body: what grew, less what was cut away, and bark folded off that is still on it. */
export interface Body {
  grown: Solid[];
  cut: Solid[];
  folded: Solid[];
  /** Radii at which its layers end, mm: bark within the first, wood within the second, pith within the third. */
  layers: { bark: number; wood: number; pith: number };
}

/** A shoot of one radius. */
export function rod(from: number, to: number, radius: number): Lathe {
  return {
    kind: 'lathe',
    profile: [
      [from, radius],
      [to, radius],
    ],
  };
}
