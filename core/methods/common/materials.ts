import type { Material } from '../material';

/* What one union uses. Amounts are typical of the trade; a club that knows better edits them in its kit. */

/** A wrap of tape round the union: width, overlap and stretch as shares, length of union covered, mm. */
const wrapped = (
  id: string,
  name: string,
  amount: number,
  care: Material['care'],
  width: number,
  length: number,
  overlap = 0.5,
  stretch = 0,
): Material => ({
  id,
  name,
  amount,
  unit: 'mm',
  care,
  wrap: { width, overlap, stretch, length },
});
const pieces = (id: string, name: string, care: Material['care'], amount = 1): Material => ({
  id,
  name,
  amount,
  unit: 'piece',
  care,
});

export const stretchTape = (length: number): Material =>
  wrapped('stretch-tape', 'stretch grafting tape', 140, 'look', 12, length, 0.5, 0.5);
export const heavyTape = (length: number): Material =>
  wrapped('heavy-tape', 'strong grafting tape, 25 mm', 600, 'take off', 25, length);
export const clothTape = (length: number): Material =>
  wrapped('cloth-tape', 'strong cloth tape', 500, 'take off', 25, length);
export const darkTape = (length: number): Material =>
  wrapped('insulating-tape', 'insulating tape', 400, 'take off', 18, length);
export const vinylTape = (length: number): Material =>
  wrapped('vinyl-tape', 'vinyl budding tape', 300, 'take off', 12, length);
export const film = (length: number): Material =>
  wrapped('film', 'thin stretch film', Math.round(length * 2.5), 'look', 25, length, 0.5, 1);
export const RUBBER = pieces('rubber', 'budding rubber', 'slit');
export const BAND = pieces('band', 'rubber band', 'look');
export const SEALANT: Material = { id: 'sealant', name: 'tree sealant', amount: 3, unit: 'g', care: 'reseal' };
export const LABEL = pieces('label', 'label', 'look');
export const FOIL = pieces('foil', 'kitchen foil, a hand’s width', 'take off');
export const BAG = pieces('bag', 'poly bag with a cut corner', 'take off');
export const NAIL = pieces('nail', 'fine nail, 19 mm', 'note');
export const BRACE = pieces('brace', 'brace or perch guard', 'look');
export const SHELLAC: Material = {
  id: 'shellac',
  name: 'shellac or glue for the tip',
  amount: 1,
  unit: 'g',
  care: 'none',
};
export const PAINT: Material = { id: 'white-paint', name: 'white water paint', amount: 5, unit: 'g', care: 'none' };
export const FLAG = pieces('flag', 'bright flagging', 'look');
export const SHADE_LEAF = pieces('shade', 'a leaf or paper for shade', 'rots');
