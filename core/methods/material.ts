import type { Prose } from '../units/prose';
import { helicalTape, type Wrap } from './helical-tape';

/** What one union uses up: so much of it, or a wrap of tape that goes by the caliper. */
export type Material = {
  id: string;
  name: Prose;
  /** What is due on it later. */
  care: 'look' | 'slit' | 'take off' | 'rots' | 'reseal' | 'note' | 'none';
  /** Practice unions need none. */
  keepersOnly?: true;
} & (
  { unit: 'piece' | 'g'; amount: number } | { unit: 'mm'; wrap: Wrap & { layers: number; round: 'stock' | 'scion' } }
);

/** Material of one union of a pair of calipers, mm: pieces, g, or mm of tape as it comes off the roll. */
export function materialAmount(material: Material, wood: { stock: number; scion: number }): number {
  if (material.unit !== 'mm') return material.amount;
  return material.wrap.layers * helicalTape(material.wrap, wood[material.wrap.round]);
}
