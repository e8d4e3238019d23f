import { mm, type Prose, prose } from '../../units/prose';
import type { Material } from '../material';
import type { AnswerTo } from '../school';
import type { BINDING, SEALANT, TURNS } from '../schools/of-covering';

/*
 * What one union uses. Widths, overlaps and stretches are usual practice; how much tape that makes is reckoned by the
 * caliper. A club that knows better edits its kit.
 */

/** Tape round the union: its width, the length of union covered, mm; overlap and stretch as shares; layers. */
const wrapped = (
  id: string,
  name: Prose,
  care: Material['care'],
  width: number,
  length: number,
  {
    overlap = 0.5,
    stretch = 0,
    layers = 1,
    round = 'stock',
  }: { overlap?: number; stretch?: number; layers?: number; round?: 'stock' | 'scion' } = {},
): Material => ({ id, name, unit: 'mm', care, wrap: { width, overlap, stretch, length, layers, round } });
const pieces = (id: string, name: Prose, care: Material['care'], amount = 1): Material => ({
  id,
  name,
  amount,
  unit: 'piece',
  care,
});
const grams = (id: string, name: Prose, care: Material['care'], amount: number): Material => ({
  id,
  name,
  amount,
  unit: 'g',
  care,
});

/** Widths of tapes, mm. Each turn lies half over the one before. Source: usual practice. */
export const TAPE_WIDTH = { stretch: 12, strong: 25, cloth: 25, dark: 18, vinyl: 12 } as const;

/** Layers of a wrap by school. */
const layersOf = (turns: AnswerTo<typeof TURNS>): { layers: number } => ({ layers: turns === 'layers' ? 2 : 1 });

export const stretchTape = (length: number, turns: AnswerTo<typeof TURNS> = 'few'): Material =>
  wrapped('stretch-tape', 'stretch grafting tape', 'look', TAPE_WIDTH.stretch, length, {
    stretch: 0.5,
    ...layersOf(turns),
  });
export const paperTape = (length: number, turns: AnswerTo<typeof TURNS> = 'few'): Material =>
  wrapped('paper-tape', 'paper tape', 'rots', TAPE_WIDTH.stretch, length, layersOf(turns));
export const ductTape = (length: number, turns: AnswerTo<typeof TURNS> = 'few'): Material =>
  wrapped('duct-tape', 'duct tape, torn lengthwise', 'take off', TAPE_WIDTH.stretch, length, layersOf(turns));
/** One at either end of the cut and one across its middle. */
export const PLASTIC_TIES = pieces('plastic-ties', 'narrow plastic tie', 'take off', 3);
/** What binds a bench graft, by school. */
export function benchBinding(
  binding: AnswerTo<typeof BINDING>,
  length: number,
  turns: AnswerTo<typeof TURNS>,
): Material {
  switch (binding) {
    case 'stretch':
      return stretchTape(length, turns);
    case 'paper':
      return paperTape(length, turns);
    case 'duct':
      return ductTape(length, turns);
    case 'ties':
      return PLASTIC_TIES;
  }
}
export const heavyTape = (length: number): Material =>
  wrapped(
    'heavy-tape',
    prose`strong grafting tape, ${mm(TAPE_WIDTH.strong)} wide`,
    'take off',
    TAPE_WIDTH.strong,
    length,
  );
export const clothTape = (length: number): Material =>
  wrapped('cloth-tape', 'strong cloth tape', 'take off', TAPE_WIDTH.cloth, length);
export const darkTape = (length: number): Material =>
  wrapped('insulating-tape', 'insulating tape', 'take off', TAPE_WIDTH.dark, length);
export const vinylTape = (length: number, turns: AnswerTo<typeof TURNS> = 'few'): Material =>
  wrapped('vinyl-tape', 'vinyl budding tape', 'take off', TAPE_WIDTH.vinyl, length, layersOf(turns));
/** Film over a scion, or in place of tape round the union of a bud. */
export const film = (length: number, round: 'stock' | 'scion' = 'scion'): Material =>
  wrapped('film', 'thin stretch film', 'look', 25, length, { stretch: 1, round });
export const rubber = (turns: AnswerTo<typeof TURNS> = 'few'): Material =>
  pieces('rubber', turns === 'few' ? 'budding rubber' : 'budding rubber, long', 'slit');
export const BAND = pieces('band', 'rubber band', 'look');
export const sealant = (amount: number): Material => grams('sealant', 'tree sealant', 'reseal', amount);
/** Four parts rosin, two beeswax, one tallow. */
const wax = (amount: number): Material =>
  grams('grafting-wax', 'home-made grafting wax (rosin 4, beeswax 2, tallow 1)', 'reseal', amount);
export const sealantBy = (by: AnswerTo<typeof SEALANT>, amount: number): Material =>
  by === 'wax' ? wax(amount) : sealant(amount);
export const LABEL: Material = { ...pieces('label', 'label', 'look'), keepersOnly: true };
export const FOIL = pieces('foil', 'piece of kitchen foil, a hand’s width', 'take off');
export const BAG = pieces('bag', 'poly bag with a cut corner', 'take off');
export const NAIL = pieces('nail', prose`fine nail, ${mm(19)}`, 'note');
export const BRACE: Material = { ...pieces('brace', 'brace or perch guard', 'look'), keepersOnly: true };
/** Put in when growth asks for it, and bought with the rest. */
export const STAKE: Material = {
  ...pieces('stake', 'stake and a soft tie, for when it grows', 'look'),
  keepersOnly: true,
};
export const SPLINT = pieces('splint', 'splint', 'look');
/** Shellac or glue: a drop for a tip, more where all cuts are brushed. */
export const shellac = (amount: number): Material => grams('shellac', 'shellac or glue', 'none', amount);
export const PAINT = grams('white-paint', 'white water paint', 'none', 5);
export const PAINT_DOT = grams('paint-dot', 'paint for a dot', 'none', 1);
export const FLAG = pieces('flag', 'bright flagging', 'look');
export const SHADE_LEAF = pieces('shade', 'a leaf or paper for shade', 'rots');
