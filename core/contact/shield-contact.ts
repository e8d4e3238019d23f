import { TOLERANCE } from '@/core/units/tolerance';
import { closedStretches } from './closed-stretches';
import { InputError } from './input-error';
import { intersect, totalLength } from './intervals';
import { BRIDGING_DISTANCE } from './limits';
import { requireFigures, requirePositive } from './require-figures';
import type { UnionContact } from './union-contact';
import { arcAt } from './wedge-contact';

/** Version of this model, kept with every judgement computed by it. */
export const SHIELD_MODEL = 'shield-1';

/** A shield slid under the bark of a T. mm. */
export interface ShieldUnion {
  shieldLength: number;
  /** Length of the down cut. */
  downCut: number;
  /** How much of the shield is under the bark. */
  inserted: number;
  hollow: number;
  slips: boolean;
  wayUp: boolean;
  bridging?: number;
}

const NAMES = {
  shieldLength: 'the length of the shield',
  downCut: 'the down cut',
  inserted: 'how far the shield is in',
  hollow: "the hollow of the shield's back",
  bridging: 'the bridging distance',
};
/**
 * Contact of a T-bud: the part of the shield's back that is under the bark and lies on the wood.
 * Nothing joins when the bark did not slip or the bud stands upside down.
 *
 * @throws InputError when a measure is one no union can have.
 * @example shieldContact({ shieldLength: 28, downCut: 20, inserted: 20, hollow: 0.8, slips: true, wayUp: true }).contact // 0.194
 */
export function shieldContact(union: ShieldUnion): UnionContact {
  const { shieldLength, downCut, inserted, hollow, slips, wayUp, bridging = BRIDGING_DISTANCE } = union;
  requireFigures({ shieldLength, downCut, inserted, hollow, bridging }, NAMES, ['inserted', 'hollow', 'bridging']);
  requirePositive('shieldLength', NAMES.shieldLength, shieldLength);
  requirePositive('downCut', NAMES.downCut, downCut);
  if (inserted > shieldLength + TOLERANCE)
    throw new InputError('inserted', 'More of the shield is in than it is long. Measure shield and insertion again.');
  if (inserted > downCut + TOLERANCE)
    throw new InputError('inserted', 'The shield is in further than the down cut is long. Measure both again.');
  const lying =
    slips && wayUp ? intersect([{ from: 0, to: inserted }], closedStretches(hollow, bridging, shieldLength)) : [];
  const touching = totalLength(lying);
  return {
    contact: touching / shieldLength,
    touching,
    whole: shieldLength,
    left: null,
    right: null,
    runs: lying.map(({ from, to }) => ({ line: 'back', from, to, length: to - from })),
    // x runs from the foot of the shield, which is in first.
    ring: lying.flatMap(({ from, to }) =>
      (['left', 'right'] as const).map((side) =>
        arcAt({ from: shieldLength - to, to: shieldLength - from }, shieldLength, side),
      ),
    ),
    warning: null,
  };
}
