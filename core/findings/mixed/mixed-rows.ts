import { effectsLayout, type EffectsLayout } from './effects-matrix';
import type { MixedDesign } from './mixed-design';

/** A design with its unions in the order of the effects' layout. */
export interface MixedRows {
  layout: EffectsLayout;
  alive: Float64Array;
  fixed: Float64Array[];
  /** What is taken off for each squared coefficient, twice. */
  penalty: number[];
  /** Where each union's effect stands among all, of each group; -1 for none. */
  places: Int32Array[];
}

export function mixedRows(design: MixedDesign): MixedRows {
  const layout = effectsLayout(design);
  const { order, first, columns, firstSize, groups } = layout;
  return {
    layout,
    alive: Float64Array.from(order, (i) => design.alive[i]!),
    fixed: design.fixed.map(({ values }) => Float64Array.from(order, (i) => values[i]!)),
    penalty: design.fixed.map(({ heldTo }) => (heldTo === null ? 0 : 1 / heldTo ** 2)),
    places: [
      ...(groups.length > 0 ? [first] : []),
      ...columns.map((column) => column.map((col) => (col < 0 ? -1 : firstSize + col))),
    ],
  };
}
