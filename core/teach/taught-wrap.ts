import type { TaughtWrap } from '../drawing/wrap-lesson';
import type { Technique, Wood } from '../methods/method';
import type { Step } from '../methods/step';

/** A budding rubber where the kit counts pieces: its width and overlap, mm and share. No source: a guess. */
export const RUBBER = { width: 6, overlap: 0.5, stretch: 0.5, layers: 1 };

/** How a union is wrapped at a step: with the kit's own tape, round the caliper of the stock; null at other steps. */
export function taughtWrap({ wraps }: Step, materials: Technique['materials'], wood: Wood): TaughtWrap | null {
  if (!wraps) return null;
  // Film in the kit beside a rubber seals a second bud; it is not what is wrapped with.
  const tapes = wraps.with === 'rubber' ? [] : materials;
  const tape = tapes.flatMap((material) =>
    material.unit === 'mm' && material.wrap.round === 'stock' ? [material.wrap] : [],
  )[0];
  const { width, overlap, stretch, layers } = tape ?? RUBBER;
  return { diameter: wood.stock, width, overlap, stretch, layers, bud: wraps.bud };
}
