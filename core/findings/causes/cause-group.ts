import type { WayOn } from '../../methods/variant';
import { variantWith } from '../../methods/variant';
import type { VariantId } from '../../methods/use';
import { methodById } from '../../methods/registry';
import type { CauseGroup } from './cause-tables';

/** How causes are weighed by the way a union lives on; what is set under bark stands apart from other wood outdoors. */
const GROUPS: Record<WayOn, CauseGroup> = {
  bench: 'bench',
  outdoors: 'scion',
  covered: 'bark',
  'spring-chip': 'bud',
  'forced-bud': 'bud',
  'sleeping-bud': 'bud',
  'spring-patch': 'patch',
  'sleeping-patch': 'patch',
  tip: 'green',
};

/** By which weights the death of a union is read. */
export function causeGroup({ method, variant }: { method: string; variant: VariantId }): CauseGroup {
  return GROUPS[variantWith(methodById(method), variant).wayOn];
}
