import { methodById } from './registry';
import type { VariantId } from './use';
import { variantWith } from './variant';

/**
 * How a union was made, in words that tell it from others of the same hand.
 * @example madeWords({ method: 'chip', variant: 'late-summer' }) // 'Chip bud in late summer'
 */
export function madeWords({ method: id, variant }: { method: string; variant: VariantId }): string {
  const method = methodById(id);
  const { words } = variantWith(method, variant);
  return words === '' ? method.name : `${method.name} ${words}`;
}
