import { type CutFace, cutOutline, type Outline } from './cut-face';
import { InputError } from './input-error';
import { BRIDGING_DISTANCE, FACE_GAP_LIMIT } from './limits';
import { outlineContact, type OutlineContact } from './outline-contact';
import type { UnionContact } from './union-contact';

/** Version of the outline model, kept with every judgement that was computed by it. */
export const OUTLINE_MODEL = 'outline-2';

/** A union of two cut faces as it lies: cuts right through both shoots, or slices. mm and degrees; e right, z up, phi anticlockwise. */
export interface OutlineUnion {
  stock: CutFace;
  scion: CutFace;
  e: number;
  z: number;
  phi: number;
  bridging?: number;
  faceGapLimit?: number;
}

export interface OutlineUnionContact
  extends Omit<UnionContact, 'left' | 'right'>, Pick<OutlineContact, 'left' | 'right' | 'widest'> {
  stockOutline: Outline;
  scionOutline: Outline;
}

/**
 * Contact of two cut faces, each an outline of cambium.
 *
 * @throws InputError when a measure is one no union can have.
 * @example
 * outlineUnionContact({
 *   stock: { diameter: 10, bark: 1, length: 35, hollow: 0 },
 *   scion: { diameter: 7, bark: 0.8, length: 35, hollow: 0 }, e: 1.3, z: 0, phi: 0,
 * }).contact // 0.525
 */
export function outlineUnionContact(union: OutlineUnion): OutlineUnionContact {
  const { stock, scion, e, z, phi } = union;
  const bridging = union.bridging ?? BRIDGING_DISTANCE;
  const faceGapLimit = union.faceGapLimit ?? FACE_GAP_LIMIT;
  const stockOutline = cutOutline(stock, 'stock');
  const scionOutline = cutOutline(scion, 'scion');
  for (const [field, value] of Object.entries({ e, z, phi, bridging, faceGapLimit })) {
    if (!Number.isFinite(value))
      throw new InputError(field, 'Where the scion sits is not a number. Enter it in figures.');
  }
  if (bridging < 0) throw new InputError('bridging', 'The bridging distance cannot be less than 0.');
  if (faceGapLimit < 0) throw new InputError('faceGapLimit', 'The face gap limit cannot be less than 0.');
  if (Math.abs(e) > stockOutline.p + scionOutline.p || Math.abs(z) > stockOutline.q + scionOutline.q) {
    throw new InputError(
      Math.abs(e) > stockOutline.p + scionOutline.p ? 'e' : 'z',
      'With this offset the two pieces do not overlap. Check how far the scion was moved.',
    );
  }
  const faceGap = (v: number): number =>
    stock.hollow * Math.max(0, 1 - ((2 * v) / stock.length) ** 2) +
    scion.hollow * Math.max(0, 1 - ((2 * (v - z)) / scion.length) ** 2);
  const { outline, runs, ...rest } = outlineContact({
    stock: stockOutline,
    scion: scionOutline,
    e,
    z,
    phi,
    faceGap,
    bridging,
    faceGapLimit,
  });
  return {
    ...rest,
    whole: outline,
    runs: runs.map((run) => ({ line: 'outline', ...run })),
    ring: runs.map(({ from, to }) => ({ from, to })),
    stockOutline,
    scionOutline,
    warning:
      Math.abs(e) > stockOutline.p ? 'The lines meet from outside: the scion sits beyond the edge of the stock.' : null,
  };
}
