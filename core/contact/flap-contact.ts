import { TOLERANCE } from '@/core/units/tolerance';
import { InputError } from './input-error';
import { requireFigures, requirePositive } from './require-figures';
import type { UnionContact } from './union-contact';

/** Version of this model, kept with every judgement computed by it. */
export const FLAP_MODEL = 'flap-1';

/** Width and length of a flap of bark, or of the flat it lies on, mm. */
export interface Strip {
  width: number;
  length: number;
}

/** Four flaps of the stock's bark on four flats of the scion. */
export interface FlapUnion {
  flaps: Strip[];
  flats: Strip[];
  scionDiameter?: number;
}

/** Deeper than this share of the diameter, flats cut on four sides meet at the corners: (1 - cos 45°) / 2. */
export const FLATS_MEET = 0.146;
/** A flat narrower than this share of its flap leaves most of the flap on bark. */
export const NARROW_FLAT = 0.3;

export interface FlapContact extends UnionContact {
  sides: number[];
  /** Numbers, from 1, of flats under the least share of their flap. */
  narrow: number[];
}

/** Depth of a flat of a given width on a round stick. */
export function flatDepth(width: number, diameter: number): number {
  return diameter / 2 - Math.sqrt(Math.max(0, (diameter / 2) ** 2 - (width / 2) ** 2));
}

/**
 * Contact of a four-flap: the mean over its sides of how much of the flat's width its flap covers,
 * times how alike flap and flat are in length.
 *
 * @throws InputError when a measure is one no union can have.
 */
export function flapContact({ flaps, flats, scionDiameter }: FlapUnion): FlapContact {
  if (flaps.length !== 4 || flats.length !== 4)
    throw new InputError('flaps', 'There are four flaps and four flats. Enter each with its width and length.');
  const sides = flaps.map((flap, i) => {
    const flat = flats[i]!;
    for (const [what, strip] of [
      ['flap', flap],
      ['flat', flat],
    ] as const) {
      for (const side of ['width', 'length'] as const) {
        const field = `${what}${side === 'width' ? 'Width' : 'Length'}${i + 1}`;
        const name = `the ${side} of ${what} ${i + 1}`;
        requireFigures({ [field]: strip[side] }, { [field]: name }, []);
        requirePositive(field, name, strip[side]);
      }
    }
    if (scionDiameter !== undefined) {
      requireFigures({ scionDiameter }, { scionDiameter: "the scion's diameter" }, []);
      if (flat.width >= scionDiameter || flatDepth(flat.width, scionDiameter) > FLATS_MEET * scionDiameter) {
        throw new InputError(
          `flatWidth${i + 1}`,
          `Flat ${i + 1} is so wide that it meets its neighbours and no corner of bark is left. Shave it only to the green.`,
        );
      }
    }
    return (
      Math.min(1, flap.width / flat.width) * (Math.min(flap.length, flat.length) / Math.max(flap.length, flat.length))
    );
  });
  const contact = sides.reduce((sum, side) => sum + side, 0) / 4;
  const whole = flats.reduce((sum, { length }) => sum + length, 0);
  return {
    contact,
    touching: sides.reduce((sum, side, i) => sum + side * flats[i]!.length, 0),
    whole,
    left: null,
    right: null,
    sides,
    narrow: flats.flatMap((flat, i) => (flat.width < NARROW_FLAT * flaps[i]!.width - TOLERANCE ? [i + 1] : [])),
    runs: sides.map((side, i) => ({
      line: `flap-${i + 1}`,
      from: 0,
      to: side * flats[i]!.length,
      length: side * flats[i]!.length,
    })),
    // A quarter of the ring a side, covered as far as the side is.
    ring: sides.map((side, i) => ({
      from: (i * Math.PI) / 2 - (side * Math.PI) / 4,
      to: (i * Math.PI) / 2 + (side * Math.PI) / 4,
    })),
    warning: null,
  };
}
