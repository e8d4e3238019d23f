/** What a stroke or an area of a drawing stands for; painters decide how that looks. */
export type Role =
  | 'bark'
  /** Bark where it was cut through. */
  | 'cut-bark'
  /** Strokes along bark that show its form. */
  | 'hatch'
  /** A cut as wide as the blade. */
  | 'kerf'
  /** What fell off, where it was. */
  | 'offcut'
  /** Where wood is missing that should be there. */
  | 'daylight'
  | 'wood'
  | 'pith'
  | 'bud'
  | 'knife-cut'
  | 'cambium-stock'
  | 'cambium-scion'
  | 'touch'
  | 'gap'
  | 'ghost'
  | 'dimension'
  | 'scale'
  | 'level'
  | 'outline'
  | 'green'
  | 'meet'
  | 'knife'
  | 'flap'
  | 'break'
  | 'wrap'
  | 'film'
  | 'foil'
  | 'seal'
  | 'tag'
  | 'steel'
  /** What a union grows: beads of callus, a shoot and its leaves; and what withers of it. */
  | 'callus'
  | 'shoot'
  | 'leaf'
  | 'withered'
  | 'wrinkle';

/** A point in mm: x to the right, y downwards from the drawing's top left corner. */
export type Point = readonly [x: number, y: number];

export interface Path {
  kind: 'path';
  role: Role;
  points: Point[];
  closed: boolean;
  /** Areas are filled, lines are not. */
  fill: boolean;
}

export interface Label {
  kind: 'label';
  role: 'dimension' | 'scale' | 'name';
  at: Point;
  anchor: 'start' | 'middle' | 'end';
  text: string;
}

/** A place on the drawing that stands for a thing to judge. */
export interface Anchor {
  point: string;
  at: Point;
}

/** A drawing as values: what lies where in mm, in painting order. */
export interface DisplayList {
  width: number;
  height: number;
  items: (Path | Label)[];
  anchors: Anchor[];
  /** Where the paths are, when they are in a file beside the page; `items` then holds what is written over it. */
  src?: string;
}

/** Room around a drawing in a file of its own, for strokes that lie on its edge, mm. */
export const fileMargin = (width: number): number => width * 0.03;

export function line(role: Role, ...points: Point[]): Path {
  return { kind: 'path', role, points, closed: false, fill: false };
}

export function area(role: Role, points: Point[]): Path {
  return { kind: 'path', role, points, closed: true, fill: true };
}

export function ring(role: Role, points: Point[]): Path {
  return { kind: 'path', role, points, closed: true, fill: false };
}

/** Points along an ellipse from one parameter angle to another, y upwards turned to y downwards. */
export function ellipseArc(
  centre: Point,
  p: number,
  q: number,
  options: { from?: number; to?: number; turn?: number } = {},
): Point[] {
  const { from = 0, to = 2 * Math.PI, turn = 0 } = options;
  const steps = Math.max(2, Math.ceil((Math.abs(to - from) / (2 * Math.PI)) * 96));
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = from + ((to - from) * i) / steps;
    const u = p * Math.cos(angle);
    const v = q * Math.sin(angle);
    return [centre[0] + u * cos - v * sin, centre[1] - (u * sin + v * cos)];
  });
}
