import { InputError } from './input-error';

/** One shoot at its cut. Lengths mm. */
export interface CutFace {
  /** Outer diameter at the cut. */
  diameter: number;
  /** Bark thickness to the inner edge of the green. */
  bark: number;
  /** Length of the cut along the slope. */
  length: number;
  /** Depth of the hollow at mid-cut, 0 for a flat face. */
  hollow: number;
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
 * The cambium outline of a cut that runs right through the shoot (whip-and-tongue, splice).
 * A plane through a cylinder of cambium radius r leaves an ellipse p = r, q = r * L / D.
 *
 * @throws InputError on a diameter, bark, length or hollow that no shoot can have.
 * @example throughCutOutline({ diameter: 10, bark: 1, length: 35, hollow: 0 }, 'stock') // { p: 4, q: 14 }
 */
export function throughCutOutline(face: CutFace, piece: 'stock' | 'scion'): Outline {
  const { diameter, bark, length, hollow } = face;
  for (const [name, value] of Object.entries({ diameter, bark, 'cut length': length, hollow })) {
    if (!Number.isFinite(value)) throw new InputError(`${piece}.${name}`, `The ${piece}'s ${name} is not a number. Enter it in figures.`);
  }
  if (diameter <= 0) throw new InputError(`${piece}.diameter`, `The ${piece}'s diameter must be more than 0. Measure it across the bark.`);
  if (bark < 0) throw new InputError(`${piece}.bark`, `The ${piece}'s bark cannot be thinner than 0.`);
  if (bark >= diameter / 2) {
    throw new InputError(`${piece}.bark`, `The ${piece}'s bark is as thick as its radius, so there is no wood left. Check bark and diameter.`);
  }
  if (length <= diameter) {
    throw new InputError(`${piece}.length`, `The ${piece}'s cut is no longer than its diameter, so it is not a sloping cut. Measure along the slope.`);
  }
  if (hollow < 0) throw new InputError(`${piece}.hollow`, `The hollow of the ${piece}'s face cannot be less than 0.`);
  const r = cambiumRadius(face);
  return { p: r, q: (r * length) / diameter };
}
