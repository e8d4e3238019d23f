import { assumedBark } from './cut-face';
import { InputError } from './input-error';
import type { WhipUnion } from './whip-contact';

/**
 * A union from the short input names of reference/contact-cases.csv (Ds, bs, Dc, bc, Ls, Lc, e, z,
 * phi, hs, hc, t, g). A missing hollow or placement is 0, a missing bark is assumed.
 *
 * @throws InputError when a needed measure is missing or not a number.
 */
export function unionOfCase(inputs: Record<string, unknown>): WhipUnion {
  const needed = (name: string): number => {
    if (typeof inputs[name] !== 'number') throw new InputError(name, `"${name}" is missing or is not a number.`);
    return inputs[name];
  };
  const optional = (name: string, otherwise: number): number => (inputs[name] === undefined ? otherwise : needed(name));
  return {
    stock: { diameter: needed('Ds'), bark: optional('bs', assumedBark(needed('Ds'))), length: needed('Ls'), hollow: optional('hs', 0) },
    scion: { diameter: needed('Dc'), bark: optional('bc', assumedBark(needed('Dc'))), length: needed('Lc'), hollow: optional('hc', 0) },
    e: optional('e', 0),
    z: optional('z', 0),
    phi: optional('phi', 0),
    ...(inputs.t === undefined ? {} : { bridging: needed('t') }),
    ...(inputs.g === undefined ? {} : { faceGapLimit: needed('g') }),
  };
}
