import { TOLERANCE } from '@/core/units/tolerance';
import { assumedBark } from '../../contact/cut-face';
import { InputError } from '../../contact/input-error';
import { figuresOf, fillMeasures } from '../../methods/field';
import type { Figures } from '../../methods/measures';
import type { Method } from '../../methods/method';
import { thinnestStock } from '../../methods/use';
import { USUAL_THRESHOLDS } from '../../methods/thresholds';

/** Places are tried this far apart, mm: contact falls off a cliff where the lines come out of reach, so they have to be near. */
const STEP = 0.125;
/** A hand hits within so many of its spreads; what lies beyond counts with the rest. */
const SPREADS = 2.5;
/** Beyond the place where the lines meet nothing is gained after this, mm. */
const BEYOND = 0.4;

/**
 * Contact to expect of a pair of calipers, for a hand that misses the place it means by `slip` mm.
 * The place is meant where contact is best on average over what the hand may hit. A method without
 * a place of its own goes by its calipers alone. Cuts are flat and as long as the wood asks for.
 *
 * @param stock, scion outer diameters, mm.
 * @returns a function of the slip, 0 to 1; what it works out for one hand serves the next.
 * @example expectedContact(method, 10, 10)(0) // 1 for a cut right through like shoots
 */
export function expectedContact(method: Method, stock: number, scion: number): (slip: number) => number {
  const { use } = method;
  if (stock < thinnestStock(use.stock) - TOLERANCE || (stock > use.stock.to + TOLERANCE && !use.stock.thicker))
    return () => 0;
  if (use.ratio && (scion < use.ratio.from * stock - TOLERANCE || scion > use.ratio.to * stock + TOLERANCE))
    return () => 0;
  const base = figuresFor(method, stock, scion);
  const at = (changes: Partial<Figures>): number => {
    try {
      return method.assess({ ...base, ...changes } as Figures, {}, USUAL_THRESHOLDS, {}).contact.contact;
    } catch (error) {
      // A cut that this wood cannot have: no union.
      if (error instanceof InputError) return 0;
      throw error;
    }
  };
  const field = method.fields.find(({ lies }) => lies !== undefined);
  if (!field) {
    const contact = at({});
    return () => contact;
  }
  const known = new Map<number, number>();
  // Left and right are alike where a scion can lie on either side.
  const contact = (step: number): number => {
    const key = field.lies === 'aside' ? Math.abs(step) : step;
    if (!known.has(key)) known.set(key, at({ [field.id]: key * STEP }));
    return known.get(key)!;
  };
  const cambium = (diameter: number): number => diameter / 2 - assumedBark(diameter);
  const meant =
    field.lies === 'inward' ? assumedBark(stock) - assumedBark(scion) : Math.abs(cambium(stock) - cambium(scion));
  const last = Math.round((meant + (field.lies === 'inward' ? 0 : BEYOND)) / STEP);
  // A wedge has one place to be; a face is set where it does best, from the middle to beyond the lines.
  const targets = field.lies === 'inward' ? [last] : Array.from({ length: last + 1 }, (_, i) => i);
  return (slip) => {
    const reach = Math.ceil((SPREADS * slip) / STEP);
    const shares = bell(slip, reach);
    return Math.max(
      ...targets.map((target) => shares.reduce((sum, share, i) => sum + share * contact(target + i - reach), 0)),
    );
  };
}

/** Shares of a bell curve of a spread over the places from -reach to reach, adding up to one. */
function bell(spread: number, reach: number): number[] {
  const weights = Array.from({ length: 2 * reach + 1 }, (_, i) =>
    spread === 0 ? 1 : Math.exp(-(((i - reach) * STEP) ** 2) / (2 * spread ** 2)),
  );
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / all);
}

function figuresFor(method: Method, stock: number, scion: number): Figures {
  // Lengths are those of the method's example, its calipers are these.
  const lengths = Object.fromEntries(
    Object.entries(method.example).map(([id, value]) => [
      id,
      id === 'stockDiameter' ? stock : id === 'scionDiameter' ? scion : value,
    ]),
  );
  const figures = figuresOf(method.fields, fillMeasures(method.fields, lengths));
  // A cut through the shoot has to be longer than the shoot is thick.
  for (const id of ['stockLength', 'scionLength'])
    if (figures[id] !== undefined && method.example[id] !== undefined)
      figures[id] = Math.max(figures[id]!, 3.5 * (id === 'stockLength' ? stock : Math.max(stock, scion)));
  return figures;
}
