import { ROUNDING } from '@/core/units/tolerance';
import { MATCHED } from './contact-grade';
import { InputError } from './input-error';
import { BRIDGING_DISTANCE } from './limits';
import { outlineUnionContact, type OutlineUnion, type OutlineUnionContact } from './outline-union';

/** Steps of the search for a place, mm. */
const STEP = 0.05;
/** Half widths, in bridging distances, up to which a scion may lie with both of its sides along one line of the stock. */
const NARROW = 2;

/**
 * Whether the scion can be set so that both of its sides match: flat faces, level, not turned, moved across until they
 * do. What decides is the contact of such a place and never radii, since slices meet by the width of their green and
 * not by its curve.
 *
 * Only a scion of a few tenths is looked for away from the middle: both of its sides can lie along one line of the
 * stock. What is wider does best there where the middle lies over the middle, since what one side gains by moving
 * across the other loses. Left and right give the same, so one way is enough.
 *
 * @example canMatchBothSides(sevenMillimetresOnTen) // false
 */
export function canMatchBothSides(union: OutlineUnion, matched = MATCHED): boolean {
  const { stock, scion } = union;
  const bridging = union.bridging ?? BRIDGING_DISTANCE;
  const at = (e: number): OutlineUnionContact | null =>
    contactIfJoined({ ...union, stock: { ...stock, hollow: 0 }, scion: { ...scion, hollow: 0 }, e, z: 0, phi: 0 });
  const matches = ({ left, right }: OutlineUnionContact): boolean => Math.min(left, right) >= matched - ROUNDING;
  const centred = at(0);
  if (!centred) return false;
  if (matches(centred)) return true;
  const [half, scionHalf] = [centred.stockOutline.p, centred.scionOutline.p];
  if (scionHalf > NARROW * bridging) return false;
  const reach = half + bridging;
  for (let e = STEP; e <= reach; e += STEP) {
    const moved = at(e);
    if (moved && matches(moved)) return true;
  }
  return false;
}

/** The contact; null where the pieces do not overlap. */
export function contactIfJoined(union: OutlineUnion): OutlineUnionContact | null {
  try {
    return outlineUnionContact(union);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}
