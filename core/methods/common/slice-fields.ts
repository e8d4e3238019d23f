import { InputError } from '../../contact/input-error';
import { cutOutline } from '../../contact/cut-face';
import type { Field, FieldPick } from '../field';
import type { Figures } from '../measures';

/** Half-width of a slice's green line, 0 while the figures cannot be. */
function halfWidth(figures: Figures, piece: 'stock' | 'scion'): number {
  try {
    return cutOutline(
      {
        diameter: figures[`${piece}Diameter`]!,
        bark: figures[`${piece}Bark`]!,
        length: figures[`${piece}Length`]!,
        hollow: 0,
        depth: figures[`${piece}Depth`]!,
      },
      piece,
    ).p;
  } catch (error) {
    // A slice this piece cannot have bares nothing.
    if (error instanceof InputError) return 0;
    throw error;
  }
}

/** Sideways place of one slice on another. */
export function slicePlacement(short: string): Field {
  const lines =
    (side: number) =>
    (figures: Figures): number =>
      side * Math.abs(halfWidth(figures, 'stock') - halfWidth(figures, 'scion'));
  const off =
    (side: number) =>
    (figures: Figures): number =>
      side * (Math.abs(halfWidth(figures, 'stock') - halfWidth(figures, 'scion')) + 1.2);
  const pick = (id: string, words: string, value: FieldPick['value']): FieldPick => ({
    id,
    words,
    value,
    ...(id === 'middle' ? { usual: true } : {}),
  });
  return {
    id: 'placement',
    name: 'the offset',
    short,
    unit: 'mm',
    least: -100,
    most: 100,
    place: 'picked',
    typed: true,
    keepsPick: true,
    lies: 'aside',
    picks: [
      pick('left-lines', 'Left, lines met', lines(-1)),
      pick('middle', 'Middle', 0),
      pick('right-lines', 'Right, lines met', lines(1)),
      pick('left-off', 'Too far left', off(-1)),
      pick('right-off', 'Too far right', off(1)),
    ],
  };
}

/** Depth of a slice at mid-cut: through the bark into the wood by `into`, no deeper than the middle. */
export function assumedDepth(piece: 'stock' | 'scion', least: number, into: number) {
  return (figures: Figures): number =>
    Math.min((figures[`${piece}Diameter`] ?? 0) / 2, Math.max(least, (figures[`${piece}Bark`] ?? 0) + into));
}
