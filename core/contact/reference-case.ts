import { barkContact, inlayContact, type InlayFace, type LaidFace } from './laid-face-contact';
import { assumedBark, type CutFace } from './cut-face';
import { flapContact, FLATS_MEET, type Strip } from './flap-contact';
import type { Grade } from './grade';
import { InputError } from './input-error';
import { outlineGrade } from './outline-grade';
import { outlineUnionContact, type OutlineUnion } from './outline-union';
import { patchContact } from './patch-contact';
import { shieldContact } from './shield-contact';
import type { UnionContact } from './union-contact';
import { cleftContact, topWedgeContact, type WedgeUnion } from './wedge-contact';

type Inputs = Record<string, unknown>;

/** Figures of a case by their short names. */
function reader(inputs: Inputs) {
  const needed = (name: string): number => {
    if (typeof inputs[name] !== 'number') throw new InputError(name, `"${name}" is missing or is not a number.`);
    return inputs[name];
  };
  const optional = (name: string, otherwise: number): number => (inputs[name] === undefined ? otherwise : needed(name));
  const choice = <T extends string>(name: string, choices: readonly T[], otherwise: T): T => {
    const value = inputs[name] ?? otherwise;
    const found = choices.find((choice) => choice === value);
    if (found === undefined) throw new InputError(name, `"${name}" must be one of ${choices.join(', ')}.`);
    return found;
  };
  const flag = (name: string): boolean => {
    const value = inputs[name] ?? true;
    if (typeof value !== 'boolean') throw new InputError(name, `"${name}" must be true or false.`);
    return value;
  };
  /** Present only when given, so that the model's own limit stands in otherwise. */
  const limits = {
    ...(inputs.t === undefined ? {} : { bridging: needed('t') }),
    ...(inputs.g === undefined ? {} : { faceGapLimit: needed('g') }),
  };
  return { needed, optional, choice, flag, limits };
}

/** A union of outlines from a case's inputs; with ds or dc that piece is sliced, else cut through. */
export function outlineOfCase(inputs: Inputs): OutlineUnion {
  const { needed, optional, limits } = reader(inputs);
  const face = (D: string, b: string, L: string, h: string, d: string): CutFace => ({
    diameter: needed(D),
    bark: optional(b, assumedBark(needed(D))),
    length: needed(L),
    hollow: optional(h, 0),
    ...(inputs[d] === undefined ? {} : { depth: needed(d) }),
  });
  return {
    stock: face('Ds', 'bs', 'Ls', 'hs', 'ds'),
    scion: face('Dc', 'bc', 'Lc', 'hc', 'dc'),
    e: optional('e', 0),
    z: optional('z', 0),
    phi: optional('phi', 0),
    ...limits,
  };
}

function sliced(inputs: Inputs): UnionContact {
  const { needed } = reader(inputs);
  needed('ds');
  needed('dc');
  return outlineUnionContact(outlineOfCase(inputs));
}

function wedge(inputs: Inputs): WedgeUnion {
  const { needed, optional, limits } = reader(inputs);
  const bark = (name: string, diameter: string): number =>
    inputs[name] === undefined && inputs[diameter] !== undefined ? assumedBark(needed(diameter)) : needed(name);
  return {
    stockBark: bark('bs', 'Ds'),
    scionBark: bark('bc', 'Dc'),
    inset: needed('p'),
    tilt: optional('alpha', 0),
    length: needed('L'),
    hollow: optional('h', 0),
    ...limits,
    ...(inputs.Ds === undefined ? {} : { stockDiameter: needed('Ds') }),
    ...(inputs.Dc === undefined ? {} : { scionDiameter: needed('Dc') }),
    ...(inputs.split === undefined ? {} : { split: needed('split') }),
  };
}

function laidFace(inputs: Inputs): LaidFace {
  const { needed, optional, limits } = reader(inputs);
  return {
    stockDiameter: needed('Ds'),
    stockBark: optional('bs', assumedBark(needed('Ds'))),
    flatRadius: optional('Rflat', 0),
    scionDiameter: needed('Dc'),
    scionBark: optional('bc', assumedBark(needed('Dc'))),
    depth: needed('d'),
    length: needed('L'),
    window: optional('k', 0),
    hollow: optional('h', 0),
    ...(limits.bridging === undefined ? {} : { bridging: limits.bridging }),
  };
}

function inlay(inputs: Inputs): InlayFace {
  const { needed, choice, flag } = reader(inputs);
  return {
    ...laidFace(inputs),
    slotWidth: needed('W'),
    ...(inputs.F === undefined ? {} : { flank: needed('F') }),
    side: choice('side', ['left', 'right', 'centre'], 'centre'),
    raked: flag('raked'),
  };
}

function strips(inputs: Inputs, name: string): Strip[] {
  const list = inputs[name];
  if (
    !Array.isArray(list) ||
    list.some((pair) => !Array.isArray(pair) || pair.length !== 2 || pair.some((figure) => typeof figure !== 'number'))
  ) {
    throw new InputError(name, `"${name}" must be four pairs of width and length.`);
  }
  return (list as [number, number][]).map(([width, length]) => ({ width, length }));
}

function flaps(inputs: Inputs): UnionContact {
  const { needed } = reader(inputs);
  const diameter = inputs.Dc === undefined ? undefined : needed('Dc');
  if (inputs.d !== undefined && diameter !== undefined && needed('d') > FLATS_MEET * diameter) {
    throw new InputError(
      'd',
      'The flats are so deep that they meet and no corner of bark is left. Shave them only to the green.',
    );
  }
  return flapContact({
    flaps: strips(inputs, 'flaps'),
    flats: strips(inputs, 'flats'),
    ...(diameter === undefined ? {} : { scionDiameter: diameter }),
  });
}

const withLimit = (inputs: Inputs) => {
  const { bridging } = reader(inputs).limits as { bridging?: number };
  return bridging === undefined ? {} : { bridging };
};

/** Every contact model by the name it has in reference/contact-cases.csv. */
const MODELS: Record<string, (inputs: Inputs) => UnionContact> = {
  whip: (inputs) => outlineUnionContact(outlineOfCase(inputs)),
  splice: (inputs) => outlineUnionContact(outlineOfCase(inputs)),
  chip: sliced,
  'side-veneer': sliced,
  cleft: (inputs) => cleftContact(wedge(inputs)),
  'top-wedge': (inputs) => topWedgeContact(wedge(inputs)),
  bark: (inputs) => barkContact(laidFace(inputs)),
  inlay: (inputs) => inlayContact(inlay(inputs)),
  't-bud': (inputs) => {
    const { needed, optional, flag } = reader(inputs);
    return shieldContact({
      shieldLength: needed('S'),
      downCut: needed('T'),
      inserted: needed('i'),
      hollow: optional('h', 0),
      slips: flag('slips'),
      wayUp: flag('wayUp'),
      ...withLimit(inputs),
    });
  },
  patch: (inputs) => {
    const { needed, choice } = reader(inputs);
    return patchContact({
      patchHeight: needed('Hp'),
      windowHeight: needed('Hw'),
      patchWidth: needed('wp'),
      windowWidth: needed('ww'),
      set: choice('set', ['top', 'bottom', 'centre'], 'centre'),
      ...withLimit(inputs),
    });
  },
  'four-flap': flaps,
};

/**
 * Contact of a case of reference/contact-cases.csv by its model and short input names. A missing
 * hollow or placement is 0, a missing bark is assumed.
 *
 * @throws InputError on a model there is not, a measure that is missing, or one no union can have.
 */
export function contactOfCase(model: string, inputs: Inputs): UnionContact {
  const compute = Object.hasOwn(MODELS, model) ? MODELS[model] : undefined;
  if (!compute)
    throw new InputError(
      'model',
      `There is no contact model "${model}". Use one of ${Object.keys(MODELS).join(', ')}.`,
    );
  return compute(inputs);
}

/** Models whose union is two outlines; only their grade hangs on more than the contact. */
const OUTLINE_MODELS = ['whip', 'splice', 'chip', 'side-veneer'];

/**
 * Grade of a case of two outlines; null for the other models, whose cases have none.
 *
 * @throws InputError as contactOfCase.
 */
export function gradeOfCase(model: string, inputs: Inputs): Grade | null {
  if (!OUTLINE_MODELS.includes(model)) return null;
  const union = outlineOfCase(inputs);
  return outlineGrade(union, outlineUnionContact(union)).grade;
}
