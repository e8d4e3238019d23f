import { InputError } from './input-error';

/** One shoot at its cut. Lengths mm. */
export interface CutFace {
  /** Outer diameter at the cut. */
  diameter: number;
  /** Bark thickness to the inner edge of the green. */
  bark: number;
  /** Length of the cut along the slope; of a slice, the length of its cambium outline. */
  length: number;
  /** Depth of the hollow at mid-cut, 0 for a flat face. */
  hollow: number;
  /** Depth of a slice at mid-cut, from the outer surface; absent when the cut runs right through the shoot. */
  depth?: number;
}

/** The cambium of a cut face: an ellipse with semi-axis `p` across the face and `q` along it, mm. */
export interface Outline {
  p: number;
  q: number;
}

/** Bark to assume when nobody measured it: a tenth of the diameter, at least half a millimetre. */
export function assumedBark(diameter: number): number {
  return Math.max(0.5, 0.1 * diameter);
}

/** Cambium radius of a shoot, mm: outer radius less bark. */
export function cambiumRadius(face: Pick<CutFace, 'diameter' | 'bark'>): number {
  return face.diameter / 2 - face.bark;
}

/**
 * Length of the cambium outline of a slice that is `outside` long where people measure it, on the
 * bark: a shallow slice's depth falls off as a parabola, so L = L_o * sqrt(1 - b / d).
 *
 * @throws InputError on a slice that does not pass the bark.
 * @example cambiumLength(40, 1, 2.5) // 30.98
 */
export function cambiumLength(outside: number, bark: number, depth: number): number {
  if (depth <= bark)
    throw new InputError('depth', 'The slice is no deeper than the bark, so no wood is bared. Cut a little deeper.');
  return outside * Math.sqrt(1 - bark / depth);
}

/** The other way round: the length on the bark of a slice whose cambium outline is `cambium` long. */
export function outsideLength(cambium: number, bark: number, depth: number): number {
  return cambium / Math.sqrt(1 - bark / depth);
}

/** Bark outline of a cut face, semi-axes across and along, mm. */
export function barkOutline(face: CutFace): Outline {
  const { diameter, bark, length, depth } = face;
  if (depth === undefined) return { p: diameter / 2, q: length / 2 };
  return { p: Math.sqrt((diameter / 2) ** 2 - (diameter / 2 - depth) ** 2), q: outsideLength(length, bark, depth) / 2 };
}

/**
 * The cambium outline of a cut face. A plane right through a cylinder of cambium radius r (whip,
 * splice) leaves an ellipse p = r, q = r * L / D; a slice of depth d (chip, side veneer) one of
 * p = sqrt(r² - (D/2 - d)²), q = L/2.
 *
 * @throws InputError on a diameter, bark, length, depth or hollow that no shoot can have.
 * @example cutOutline({ diameter: 10, bark: 1, length: 35, hollow: 0 }, 'stock') // { p: 4, q: 14 }
 */
export function cutOutline(face: CutFace, piece: 'stock' | 'scion'): Outline {
  const { diameter, bark, length, hollow, depth } = face;
  for (const [field, value] of Object.entries({ diameter, bark, length, hollow })) {
    const name = field === 'length' ? 'cut length' : field;
    if (!Number.isFinite(value))
      throw new InputError(`${piece}.${field}`, `The ${piece}'s ${name} is not a number. Enter it in figures.`);
  }
  if (diameter <= 0)
    throw new InputError(
      `${piece}.diameter`,
      `The ${piece}'s diameter must be more than 0. Measure it across the bark.`,
    );
  if (bark < 0) throw new InputError(`${piece}.bark`, `The ${piece}'s bark cannot be thinner than 0.`);
  if (bark >= diameter / 2) {
    throw new InputError(
      `${piece}.bark`,
      `The ${piece}'s bark is as thick as its radius, so there is no wood left. Check bark and diameter.`,
    );
  }
  if (depth !== undefined) {
    if (!Number.isFinite(depth))
      throw new InputError(`${piece}.depth`, `The depth of the ${piece}'s slice is not a number. Enter it in figures.`);
    if (depth <= bark)
      throw new InputError(
        `${piece}.depth`,
        `The ${piece}'s slice is no deeper than the bark, so no wood is bared. Cut a little deeper.`,
      );
    if (depth > diameter / 2)
      throw new InputError(
        `${piece}.depth`,
        `The ${piece}'s slice is deeper than its middle. Measure the depth of the slice again.`,
      );
    if (length <= 0)
      throw new InputError(`${piece}.length`, `The ${piece}'s cut must be longer than 0. Measure along the cut.`);
  } else if (length <= diameter) {
    throw new InputError(
      `${piece}.length`,
      `The ${piece}'s cut is no longer than its diameter, so it is not a sloping cut. Measure along the slope.`,
    );
  }
  if (hollow < 0) throw new InputError(`${piece}.hollow`, `The hollow of the ${piece}'s face cannot be less than 0.`);
  const r = cambiumRadius(face);
  if (depth !== undefined) return { p: Math.sqrt(r * r - (diameter / 2 - depth) ** 2), q: length / 2 };
  return { p: r, q: (r * length) / diameter };
}
