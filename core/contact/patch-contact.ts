import { TOLERANCE } from '@/core/units/tolerance';
import { InputError } from './input-error';
import { BRIDGING_DISTANCE } from './limits';
import { requireFigures, requirePositive } from './require-figures';
import type { UnionContact } from './union-contact';

/** Version of this model, kept with every judgement computed by it. */
export const PATCH_MODEL = 'patch-1';

/** A rectangle of bark in its window. mm. */
export interface PatchUnion {
  patchHeight: number;
  windowHeight: number;
  patchWidth: number;
  windowWidth: number;
  /** Against which end of the window it was set. */
  set: 'top' | 'bottom' | 'centre';
  bridging?: number;
}

const NAMES = {
  patchHeight: 'the height of the patch',
  windowHeight: 'the height of the window',
  patchWidth: 'the width of the patch',
  windowWidth: 'the width of the window',
  bridging: 'the bridging distance',
};
/** A patch taller by no more than this, mm, is pressed in and counts as equal. */
export const PRESSED_IN = 0.2;
/** Narrower than this share of its window, a patch leaves much bare wood. */
export const NARROW_PATCH = 0.6;
export interface PatchContact extends UnionContact {
  gaps: { top: number; bottom: number };
}

/**
 * Contact of a patch: its top and bottom edge, each of which touches or not. The sides never count.
 *
 * @throws InputError when a measure is one no union can have.
 * @example patchContact({ patchHeight: 30, windowHeight: 30.9, patchWidth: 15, windowWidth: 16, set: 'top' }).contact // 0.5
 */
export function patchContact(union: PatchUnion): PatchContact {
  const { patchHeight, windowHeight, patchWidth, windowWidth, set, bridging = BRIDGING_DISTANCE } = union;
  requireFigures({ patchHeight, windowHeight, patchWidth, windowWidth, bridging }, NAMES, ['bridging']);
  for (const field of ['patchHeight', 'windowHeight', 'patchWidth', 'windowWidth'] as const)
    requirePositive(field, NAMES[field], union[field]);
  const difference = windowHeight - patchHeight;
  if (difference < -PRESSED_IN - TOLERANCE)
    throw new InputError(
      'patchHeight',
      'The patch is taller than its window, so it cannot lie flat. Trim the patch or open the window further.',
    );
  const gap = Math.max(0, difference);
  const gaps =
    set === 'centre'
      ? { top: gap / 2, bottom: gap / 2 }
      : set === 'top'
        ? { top: 0, bottom: gap }
        : { top: gap, bottom: 0 };
  const touches = (distance: number): boolean => distance <= bridging + TOLERANCE;
  const ends = (['top', 'bottom'] as const).filter((end) => touches(gaps[end]));
  return {
    contact: ends.length / 2,
    touching: ends.length * patchWidth,
    whole: 2 * patchWidth,
    left: null,
    right: null,
    runs: ends.map((line) => ({ line, from: 0, to: patchWidth, length: patchWidth })),
    ring: ends.map((end) =>
      end === 'top' ? { from: Math.PI * 0.25, to: Math.PI * 0.75 } : { from: Math.PI * 1.25, to: Math.PI * 1.75 },
    ),
    warning:
      patchWidth < NARROW_PATCH * windowWidth - TOLERANCE
        ? 'The patch is much narrower than its window; the bare wood beside it dries. Cut a wider patch.'
        : null,
    gaps,
  };
}
