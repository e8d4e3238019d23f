import type { Point } from '../drawing/display-list';

/** A stroke of a template in mm, y downwards: cut along it, or only line something up with it. */
export interface TemplateStroke {
  kind: 'cut' | 'mark' | 'fold';
  points: Point[];
}

/** A piece of paper to cut out and lay on wood, in true millimetres. */
export interface Template {
  name: string;
  /** What to do with it. */
  use: string;
  width: number;
  height: number;
  strokes: TemplateStroke[];
  words: { at: Point; text: string }[];
}

const stroke = (kind: TemplateStroke['kind'], ...points: Point[]): TemplateStroke => ({ kind, points });

/**
 * Height of a plane cut on a wrap-around guide: a cut L long along the slope of a shoot of diameter
 * D rises sqrt(L² - D²) along its axis, and unrolls to y = ½ sqrt(L² - D²) (1 - cos θ).
 *
 * @throws RangeError when the cut is no longer than the shoot is thick.
 * @example unrolledHeight(10, 25, Math.PI) // 22.913
 */
export function unrolledHeight(diameter: number, length: number, theta: number): number {
  if (!(length > diameter)) throw new RangeError('A sloping cut is longer than the shoot is thick.');
  return 0.5 * Math.sqrt(length ** 2 - diameter ** 2) * (1 - Math.cos(theta));
}

/** Paper kept above and below the curve, and the flap that is glued, mm. */
const COLLAR = 12;
const GLUE = 8;

/** A guide to wrap round a shoot: the curve of a plane cut, its tongue's start, an edge to glue. */
export function wrapGuide(name: string, diameter: number, length: number, tongueShare: number | null): Template {
  const round = Math.PI * diameter;
  const rise = unrolledHeight(diameter, length, Math.PI);
  const height = rise + 2 * COLLAR;
  const at = (theta: number): Point => [
    (theta / (2 * Math.PI)) * round,
    COLLAR + rise - unrolledHeight(diameter, length, theta),
  ];
  const curve = Array.from({ length: 73 }, (_, i) => at((i / 72) * 2 * Math.PI));
  const strokes = [
    stroke('mark', [0, 0], [round + GLUE, 0], [round + GLUE, height], [0, height], [0, 0]),
    stroke('fold', [round, 0], [round, height]),
    stroke('cut', ...curve),
    stroke('mark', [round / 2, 0], [round / 2, height]),
  ];
  const words = [
    { at: [round + 1, 6] as Point, text: 'glue' },
    { at: [1, height - 3] as Point, text: 'wrap, cut along the curve' },
  ];
  if (tongueShare !== null) {
    // Height at which the tongue starts, from the tip down the slope.
    const y = COLLAR + rise * tongueShare;
    strokes.push(stroke('mark', [round * 0.35, y], [round * 0.65, y]));
    words.push({ at: [round * 0.66, y + 1], text: 'tongue' });
  }
  return {
    name,
    use: 'Wrap it round the shoot, edge on the fold, and draw along the curve.',
    width: round + GLUE,
    height,
    strokes,
    words,
  };
}

/** A rectangle to cut round: a patch and its window, with the bud's place. */
export function rectangle(name: string, use: string, width: number, height: number): Template {
  return {
    name,
    use,
    width,
    height,
    strokes: [
      stroke('cut', [0, 0], [width, 0], [width, height], [0, height], [0, 0]),
      stroke('mark', [width / 2 - 2, height / 2], [width / 2 + 2, height / 2]),
      stroke('mark', [width / 2, height / 2 - 2], [width / 2, height / 2 + 2]),
    ],
    words: [{ at: [2, 5], text: 'up' }],
  };
}

/** A wedge as it is seen from its edge: from the thickness of the scion to a feather. */
export function wedge(name: string, diameter: number, length: number): Template {
  return {
    name,
    use: 'Hold the scion against it: both faces run along the lines.',
    width: diameter + 20,
    height: length + 14,
    strokes: [
      stroke('cut', [10, 7], [10 + diameter / 2 - 0.4, 7 + length]),
      stroke('cut', [10 + diameter, 7], [10 + diameter / 2 + 0.4, 7 + length]),
      stroke('mark', [0, 7], [diameter + 20, 7]),
      stroke('mark', [10 + diameter / 2, 0], [10 + diameter / 2, 7 + length]),
    ],
    words: [{ at: [diameter + 11, 6], text: 'shoulder' }],
  };
}

/** Parallel lines down from a rim, with the strip between them: slots, or the lines of flaps. */
export function slots(name: string, use: string, apart: number, length: number, lines: number): Template {
  const width = apart * (lines - 1) + 12;
  return {
    name,
    use,
    width,
    height: length + 10,
    strokes: [
      stroke('mark', [0, 5], [width, 5]),
      ...Array.from({ length: lines }, (_, i) => stroke('cut', [6 + i * apart, 5], [6 + i * apart, 5 + length])),
    ],
    words: [{ at: [1, 4], text: 'rim' }],
  };
}

/** A down cut and a cross cut. */
export function tee(name: string, down: number, across: number, inverted: boolean): Template {
  const [y0, y1] = inverted ? [5 + down, 5] : [5, 5 + down];
  const middle = across / 2 + 6;
  return {
    name,
    use: 'Line up its middle with the stem and prick through both lines.',
    width: across + 12,
    height: down + 10,
    strokes: [
      stroke('cut', [middle, y0], [middle, y1]),
      stroke('cut', [middle - across / 2, y0], [middle + across / 2, y0]),
      stroke('mark', [0, 0], [across + 12, 0], [across + 12, down + 10], [0, down + 10], [0, 0]),
    ],
    words: [],
  };
}

/** A slice as it lies on the bark: a bed and its chip, or a shallow side cut. */
export function slice(name: string, length: number, halfWidth: number): Template {
  const oval = Array.from({ length: 61 }, (_, i): Point => [
    halfWidth + 4 + halfWidth * Math.cos((i / 60) * 2 * Math.PI),
    length / 2 + 4 + (length / 2) * Math.sin((i / 60) * 2 * Math.PI),
  ]);
  return {
    name,
    use: 'Hold bed and chip against it: both are this long and this wide.',
    width: 2 * halfWidth + 8,
    height: length + 8,
    strokes: [stroke('cut', ...oval), stroke('mark', [halfWidth + 4, 0], [halfWidth + 4, length + 8])],
    words: [],
  };
}
