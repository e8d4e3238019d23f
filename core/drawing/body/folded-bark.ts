import type { Lip, Piece, Spot } from '../workpieces';
import { aboutUpright, type Frame, leant, within } from './frame';
import { type Prism, rod, type Solid } from './solid';

/** How far bark that hangs or stands off leans out, degrees. */
const HANGS = 14;
const LIP_OPENS = 40;
/** Between bark and what it is bent round, so that neither lies in the other, mm. */
const COAT_GAP = 0.02;
/** Between flaps that stand beside one another, mm. */
const SLIT = 0.6;

/** Bark that was lifted and still hangs on the piece: the lips of a slit, a hanging strip, four flaps. */
export function foldedBark(piece: Piece): Solid[] {
  return [...piece.lips.map((lip) => lipOf(piece, lip)), ...flapsOf(piece)];
}

/** A slab from its hinge at the origin: `wide` to both sides of the middle, `thick` outwards, from one height to another. */
function slab(wide: number, thick: number, from: number, to: number): Prism {
  return {
    kind: 'prism',
    along: 'w',
    outline: [
      [0, from],
      [0, to],
      [thick, to],
      [thick, from],
    ],
    from: -wide / 2,
    to: wide / 2,
  };
}

function lipOf({ diameter, bark }: Piece, { from, to, hinge, fold, over, points, coat }: Lip): Solid {
  const radius = diameter / 2;
  if (coat) return coatOf({ diameter, bark }, { from, to, hinge }, coat);
  if (over) {
    const outer = over.map(([u, y]): Spot => [u + bark, y]).reverse();
    const middle = hinge + fold / 2;
    const half = Math.abs(fold) / 2;
    const shape: Prism = {
      kind: 'prism',
      along: 'w',
      outline: [...over, ...outer],
      from: middle - half,
      to: middle + half,
    };
    return { shape, shows: 'flap' };
  }
  if (points !== undefined) {
    // Laid on what is under it, its inner side first; the hinge is on the wood.
    const out = Math.sqrt(Math.max(0, (radius - bark) ** 2 - hinge ** 2));
    return door(Math.abs(fold), [from, to], hinge < 0 ? [-bark, 0] : [0, bark], aboutUpright(points, [out, hinge, 0]));
  }
  const across = hinge < 0 !== hinge + fold < 0;
  const wide = Math.abs(fold);
  const sign = Math.sign(fold);
  if (across) {
    // A strip that hangs from its upper end in front of the bark.
    return {
      shape: slab(wide, bark, from - to, 0),
      shows: 'flap',
      frame: leant(-HANGS, [radius, hinge + fold / 2, to]),
    };
  }
  // A lip opens like a door, from where it is still on.
  const at = Math.max(-radius * 0.98, Math.min(radius * 0.98, hinge));
  const out = Math.sqrt(radius ** 2 - at ** 2);
  const frame = aboutUpright((Math.atan2(at, out) * 180) / Math.PI + sign * (90 - LIP_OPENS), [out, at, 0]);
  return door(wide, [from, to], sign > 0 ? [0, bark] : [-bark, 0], frame);
}

/** Bark bent round what lies under it, from the wood it is still on to its free edge. */
function coatOf(
  { diameter, bark }: Pick<Piece, 'diameter' | 'bark'>,
  { from, to, hinge }: Pick<Lip, 'from' | 'to' | 'hinge'>,
  coat: NonNullable<Lip['coat']>,
): Solid {
  const side = Math.sign(hinge);
  const wood = Math.sqrt(Math.max(0, (diameter / 2 - bark) ** 2 - hinge ** 2));
  const far = coat.radius + bark + 1;
  const upright = (low: number, high: number, left: number, right: number): Prism => ({
    kind: 'prism',
    along: 'w',
    outline: [
      [low, from - 1],
      [low, to + 1],
      [high, to + 1],
      [high, from - 1],
    ],
    from: Math.min(left, right),
    to: Math.max(left, right),
  });
  return {
    shape: rod(from, to, coat.radius + bark),
    shows: 'flap',
    frame: aboutUpright(0, [coat.u, coat.w, 0]),
    but: [
      rod(from - 1, to + 1, coat.radius + COAT_GAP),
      // What lies behind the surface of the wood, beyond the free edge, and past the bark it is still on.
      upright(-far, wood - coat.u, -far, far),
      upright(-far, far, side * coat.edge, -side * far),
      upright(-far, far, hinge + (side * bark) / 2, side * far),
    ],
  };
}

/** A lip as a slab from its hinge, a little within the bark that it is still on. */
function door(
  wide: number,
  [from, to]: readonly [number, number],
  [inner, outer]: readonly [number, number],
  frame: Frame,
): Solid {
  const outline: Prism['outline'] = [
    [-0.3, from],
    [-0.3, to],
    [wide, to],
    [wide, from],
  ];
  return { shape: { kind: 'prism', along: 'w', outline, from: inner, to: outer }, shows: 'flap', frame };
}

function flapsOf({ flaps, diameter, bark }: Piece): Solid[] {
  if (!flaps || flaps.state === 'cut') return [];
  const { length, foot, state, on } = flaps;
  const radius = diameter / 2;
  const wide = Math.min(flaps.width, 2 * radius * Math.SQRT1_2);
  if (state === 'down')
    return [0, 90, 180, 270].map((facing) => ({
      shape: slab(wide, bark, -length, 0),
      shows: 'flap',
      frame: within(aboutUpright(facing), leant(-HANGS, [radius - bark * 0.4, 0, foot])),
    }));
  if (on !== undefined)
    return [0, 90, 180, 270].map((facing) => ({
      shape: slab(Math.min(wide, 2 * on), bark, 0, length),
      shows: 'flap',
      frame: within(aboutUpright(facing), aboutUpright(0, [on, 0, foot])),
    }));
  // Up again with nothing in it: a coat round what stands in it, of four by the slits between them.
  const slit = (along: 'u' | 'w'): Prism => ({ ...slab(4 * radius, SLIT, foot - 1, foot + length + 1), along });
  return [
    {
      shape: rod(foot, foot + length, radius),
      shows: 'flap',
      frame: aboutUpright(45),
      but: [rod(foot - 1, foot + length + 1, radius - bark), slit('w'), slit('u')],
    },
  ];
}
