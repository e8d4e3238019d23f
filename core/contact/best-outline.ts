import { InputError } from './input-error';
import { BRIDGING_DISTANCE } from './limits';
import type { OutlineUnion, OutlineUnionContact } from './outline-union';
import { contactIfJoined } from './reachable-sides';

export interface BestOutline {
  contact: number;
  union: OutlineUnion;
  result: OutlineUnionContact;
}

/**
 * The best contact that this pair of shoots could reach: both cuts as long as the stock's, flat,
 * not turned, ends level, set sideways at the best place. The offset is searched on a 0.05 mm grid
 * from the middle to just beyond the lines' meeting; left and right give the same, so the search
 * keeps to the side the scion already leans to.
 */
export function bestOutline(union: OutlineUnion): BestOutline {
  const side = union.e < 0 ? -1 : 1;
  const bridging = union.bridging ?? BRIDGING_DISTANCE;
  const length = Math.max(union.stock.length, union.scion.diameter * 1.05);
  const at = (e: number): OutlineUnion => ({
    ...union,
    stock: { ...union.stock, length, hollow: 0 },
    scion: { ...union.scion, length, hollow: 0 },
    e: side * e,
    z: 0,
    phi: 0,
  });
  const centred = contactIfJoined(at(0));
  if (!centred) throw new InputError('stockDepth', 'These two cuts do not meet anywhere. Check how deep they are.');
  // The green lines meet on a side where the scion stands out by the difference of their half widths.
  const reach = Math.abs(centred.stockOutline.p - centred.scionOutline.p) + bridging;
  let best: BestOutline = { contact: centred.contact, union: at(0), result: centred };
  const steps = Math.ceil(reach / 0.05);
  for (let i = 1; i <= steps; i++) {
    const candidate = at((reach * i) / steps);
    const result = contactIfJoined(candidate);
    // Where the shallow slice of one hardly reaches over the other's bark, the lines meet beyond the wood.
    if (!result) break;
    // Of offsets that do equally well, the middle of the range would be safer; the first is nearer
    // to what the hands did before, so a better one must be better by more than noise.
    if (result.contact > best.contact + 1e-4) best = { contact: result.contact, union: candidate, result };
  }
  return best;
}
