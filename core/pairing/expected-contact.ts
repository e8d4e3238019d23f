import { assumedBark } from '../contact/cut-face';
import { figuresOf, fillMeasures } from '../methods/field';
import type { Method } from '../methods/method';
import type { Figures } from '../methods/measures';
import type { Hand } from './hand';

/** A bell curve in five places and their shares, at multiples of its spread. */
const BELL: [at: number, share: number][] = [[-2, 0.0545], [-1, 0.2442], [0, 0.4026], [1, 0.2442], [2, 0.0545]];

/**
 * Contact to expect of a pair of calipers in a hand: the place is meant where contact is best on
 * average over how far the hand slips. A method without a place of its own goes by its calipers and hollow.
 *
 * @param stock, scion outer diameters, mm.
 * @returns 0 to 1; 0 where the method cannot join the two.
 */
export function expectedContact(method: Method, stock: number, scion: number, hand: Hand): number {
  const { use } = method;
  if (stock < use.stock.from - 1e-6 || (stock > use.stock.to + 1e-6 && !use.stock.thicker)) return 0;
  if (use.ratio && (scion < use.ratio.from * stock - 1e-6 || scion > use.ratio.to * stock + 1e-6)) return 0;
  const base = figuresFor(method, stock, scion, hand);
  const at = (changes: Partial<Figures>): number => {
    try {
      return method.assess({ ...base, ...changes } as Figures, {}).contact.contact;
    } catch {
      // A cut that this wood cannot have: no union.
      return 0;
    }
  };
  const field = method.fields.find(({ id }) => id === 'placement' || id === 'inset');
  if (!field) return at({});
  // Contact over the places a hand may hit; left and right are alike where a scion can lie on either side.
  const step = Math.max(0.05, hand.slip / 2);
  const meant = field.id === 'inset' ? assumedBark(stock) - assumedBark(scion) : Math.abs(stock / 2 - assumedBark(stock) - (scion / 2 - assumedBark(scion)));
  const contacts = new Map<number, number>();
  const contact = (place: number): number => {
    const key = Math.round((field.id === 'placement' ? Math.abs(place) : place) / step);
    if (!contacts.has(key)) contacts.set(key, at({ [field.id]: key * step }));
    return contacts.get(key)!;
  };
  // The best place lies between the middle and where the lines meet, or within reach of them.
  const targets = field.id === 'inset' ? [meant] : [0, meant * 0.5, meant - 0.3, meant, meant + 0.3].filter((place) => place >= 0);
  return Math.max(...targets.map((target) => BELL.reduce((sum, [sigma, share]) => sum + share * contact(target + sigma * hand.slip), 0)));
}

function figuresFor(method: Method, stock: number, scion: number, hand: Hand): Figures {
  // Lengths grow with the wood as in the method's example, its calipers are these.
  const lengths = Object.fromEntries(Object.entries(method.example).map(([id, value]) => [id, id === 'stockDiameter' ? stock : id === 'scionDiameter' ? scion : value]));
  const figures = figuresOf(method.fields, fillMeasures(method.fields, lengths));
  for (const { id } of method.fields) if (/hollow$/i.test(id)) figures[id] = hand.hollow;
  // A cut through the shoot has to be longer than the shoot is thick.
  for (const id of ['stockLength', 'scionLength']) if (figures[id] !== undefined && method.example[id] !== undefined) figures[id] = Math.max(figures[id]!, 3.5 * (id === 'stockLength' ? stock : Math.max(stock, scion)));
  return figures;
}
